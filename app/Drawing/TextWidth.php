<?php

declare(strict_types=1);

namespace App\Drawing;

/** How much room text takes in the faces of pictures, by the advance widths of the shipped fonts; and how text is made to fit. */
final class TextWidth
{
    public const UI = 'ui';
    public const FIGURES = 'figures';
    public const SYMBOLS = 'symbols';

    private const SIZE = 12.0;
    /** Of scripts that no shipped face has: such characters as wide as they are high, and others. */
    private const WIDE = 1020;
    private const OTHER = 720;
    /** Less than is seen: room made for a text is room enough for it. */
    private const HAIR = 0.01;
    /** What overlaps the character before it, or is not seen. */
    private const NO_WIDTH = '/[\p{M}\p{Cf}]/u';

    /** @var array<string, array<int, int>>|null */
    private static ?array $tables = null;

    /** In pixels at the size of pictures. */
    public static function of(string $text, string $face = self::UI): float
    {
        $table = self::table($face);
        $thousandths = 0;
        foreach (mb_str_split(mb_scrub($text)) as $character) {
            $thousandths += $table[mb_ord($character)] ?? self::unknown($character);
        }

        return $thousandths * self::SIZE / 1000;
    }

    /** @param list<string> $texts */
    public static function widest(array $texts, string $face = self::UI): float
    {
        return max([0.0, ...array_map(static fn(string $text): float => self::of($text, $face), $texts)]);
    }

    /** As much of it as there is room for, with an ellipsis where something is left out. */
    public static function fitted(string $text, float $room, string $face = self::UI): string
    {
        if (self::of($text, $face) <= $room + self::HAIR) {
            return $text;
        }
        $characters = preg_split('/(?=\P{M})/u', mb_scrub($text), -1, PREG_SPLIT_NO_EMPTY);
        $kept = '';
        foreach ($characters === false ? [] : $characters as $character) {
            if (self::of($kept . $character . '…', $face) > $room + self::HAIR) {
                break;
            }
            $kept .= $character;
        }

        return rtrim($kept) . '…';
    }

    /** @return list<string> in lines between words, at most so many; what is too long is shortened */
    public static function wrapped(string $text, float $room, int $most, string $face = self::UI): array
    {
        $lines = [];
        $line = '';
        $words = array_values(array_filter(explode(' ', $text), static fn(string $word): bool => $word !== ''));
        foreach ($words as $i => $word) {
            $joined = $line === '' ? $word : "{$line} {$word}";
            if ($line !== '' && self::of($joined, $face) > $room + self::HAIR) {
                if (count($lines) === $most - 1) {
                    $line .= ' ' . implode(' ', array_slice($words, $i));
                    break;
                }
                $lines[] = self::fitted($line, $room, $face);
                $line = $word;
            } else {
                $line = $joined;
            }
        }

        return $line === '' ? $lines : [...$lines, self::fitted($line, $room, $face)];
    }

    /** @return array<int, int> by code point */
    private static function table(string $face): array
    {
        if (self::$tables === null) {
            /** @var array<string, array<int, int>> $read */
            $read = require __DIR__ . '/widths.php';
            self::$tables = $read;
        }

        return self::$tables[$face];
    }

    private static function unknown(string $character): int
    {
        return match (true) {
            preg_match(self::NO_WIDTH, $character) === 1 => 0,
            mb_strwidth($character) > 1 || mb_ord($character) > 0xFFFF => self::WIDE,
            default => self::OTHER,
        };
    }
}
