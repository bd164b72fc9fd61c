<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use App\Files\WholeFile;
use RuntimeException;

/** Finds out how a text file is encoded, and turns it into UTF-8 block by block. */
final class TextEncoding
{
    private const BLOCK = 1 << 20;

    /** One of the words of `Decisions::ENCODINGS`. */
    public static function of(string $path): string
    {
        $head = (string) file_get_contents($path, false, null, 0, 4096);
        if (str_starts_with($head, "\xFF\xFE")) {
            return 'utf-16le';
        }
        if (str_starts_with($head, "\xFE\xFF")) {
            return 'utf-16be';
        }
        // Text of mostly western letters in UTF-16 without a mark has a zero in nearly every other byte.
        $pairs = intdiv(strlen($head), 2);
        if ($pairs >= 2 && str_contains($head, "\0")) {
            $even = $odd = 0;
            for ($i = 0; $i < 2 * $pairs; $i += 2) {
                $even += $head[$i] === "\0" ? 1 : 0;
                $odd += $head[$i + 1] === "\0" ? 1 : 0;
            }
            if ($odd > 0.6 * $pairs && $even < 0.05 * $pairs) {
                return 'utf-16le';
            }
            if ($even > 0.6 * $pairs && $odd < 0.05 * $pairs) {
                return 'utf-16be';
            }
        }

        return self::isUtf8($path) ? 'utf-8' : 'windows-1252';
    }

    /** Writes the text in UTF-8; what no character stands for becomes the replacement character. */
    public static function toUtf8(string $from, string $encoding, string $to, ?int $mostBytes): void
    {
        $in = fopen($from, 'r');
        if ($in === false) {
            throw new RuntimeException('The file to be copied in UTF-8 cannot be read.');
        }
        $out = WholeFile::create($to);
        $before = mb_substitute_character();
        mb_substitute_character(0xFFFD);
        $rest = '';
        $left = $mostBytes ?? PHP_INT_MAX;
        while (!feof($in) && $left > 0) {
            $block = $rest . fread($in, min(self::BLOCK, $left));
            $left -= self::BLOCK;
            $rest = '';
            if (str_starts_with($encoding, 'utf-16') && !feof($in)) {
                // Neither a pair of bytes nor a pair of surrogates may be cut in two.
                $whole = strlen($block) & ~1;
                $high = $whole >= 2 ? ord($block[$encoding === 'utf-16le' ? $whole - 1 : $whole - 2]) : 0;
                $whole -= $high >= 0xD8 && $high <= 0xDB ? 2 : 0;
                $rest = substr($block, $whole);
                $block = substr($block, 0, $whole);
            }
            WholeFile::write($out, (string) mb_convert_encoding($block, 'UTF-8', $encoding));
        }
        mb_substitute_character($before);
        fclose($in);
        WholeFile::close($out);
    }

    private static function isUtf8(string $path): bool
    {
        $in = fopen($path, 'r');
        $rest = '';
        while ($in !== false && !feof($in)) {
            $block = $rest . fread($in, self::BLOCK);
            $cut = feof($in) ? strlen($block) : self::wholeCharacters($block);
            $rest = substr($block, $cut);
            // An expression that asks nothing of a text but that it is UTF-8 takes half the time of the function made for it.
            if (preg_match('//u', substr($block, 0, $cut)) !== 1) {
                return false;
            }
        }

        return $in !== false;
    }

    /** How many bytes of the text are whole characters: one cut in two at the end is left for the next block. */
    private static function wholeCharacters(string $block): int
    {
        $length = strlen($block);
        for ($back = 1; $back <= min(4, $length); ++$back) {
            $byte = ord($block[$length - $back]);
            if (($byte & 0xC0) === 0x80) {
                continue;
            }
            $needs = match (true) {
                $byte >= 0xF0 => 4,
                $byte >= 0xE0 => 3,
                $byte >= 0xC0 => 2,
                default => 1,
            };

            return $needs > $back ? $length - $back : $length;
        }

        return $length;
    }
}
