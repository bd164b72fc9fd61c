<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use App\Intake\NotATable;
use Generator;

/**
 * The items of a JSON document (RFC 8259) that is a list, each as its text: however long the list is, only one of them is held.
 * What is inside an item is not looked at; whoever decodes it finds what is wrong with it.
 */
final class JsonItems
{
    private const BLOCK = 1 << 16;
    private const LONGEST_ITEM = 1 << 22;
    private const BLANK = " \t\r\n";

    public static function isList(string $path): bool
    {
        $head = ltrim((string) file_get_contents($path, false, null, 0, self::BLOCK), "\u{FEFF}" . self::BLANK);

        return str_starts_with($head, '[');
    }

    /**
     * @return Generator<int, string> by the line that each ends in
     *
     * @throws NotATable where the list is broken
     */
    public static function of(string $path): Generator
    {
        $file = fopen($path, 'r');
        $rest = '';
        $depth = 0;
        $line = 1;
        // Where in the text the item begins, and from where on it is still to be looked at.
        $from = $at = 0;
        $isEmpty = true;
        while ($file !== false && ($depth >= 0) && ($block = (string) fread($file, self::BLOCK)) !== '') {
            $text = substr($rest, $from) . $block;
            $at -= $from;
            $from = 0;
            $length = strlen($text);
            while ($at < $length) {
                $at += strcspn($text, '"[]{},', $at);
                if ($at >= $length) {
                    break;
                }
                $sign = $text[$at];
                if ($sign === '"') {
                    // A text that does not end within what was read is looked at again with what comes.
                    if (preg_match('/\G"(?:[^"\\\\]++|\\\\.)*+"/s', $text, $found, 0, $at) !== 1) {
                        break;
                    }
                    $at += strlen($found[0]);
                    continue;
                }
                $isEnd = $depth === 1 && ($sign === ',' || $sign === ']');
                if ($isEnd) {
                    $item = substr($text, $from, $at - $from);
                    if (trim($item, self::BLANK) !== '') {
                        $isEmpty = false;
                        yield $line + substr_count(rtrim($item, self::BLANK), "\n") => $item;
                    } elseif ($sign === ',' || !$isEmpty) {
                        throw NotATable::badJson($line, 'a value is missing before a comma or the end of the list');
                    }
                    $line += substr_count($item, "\n");
                    $from = $at + 1;
                }
                if ($depth === 0 && ($sign !== '[' || trim(substr($text, 0, $at), "\xEF\xBB\xBF" . self::BLANK) !== '')) {
                    throw NotATable::badJson($line, 'something stands before the list');
                }
                $depth += match ($sign) {
                    '[', '{' => 1,
                    ']', '}' => -1,
                    default => 0,
                };
                ++$at;
                if ($depth === 0) {
                    if ($sign !== ']') {
                        throw NotATable::badJson($line, 'an end of an object stands where none has begun');
                    }
                    self::end($file, substr($text, $at), $line);

                    return;
                }
                if ($depth === 1 && $sign === '[' && $isEmpty && $from === 0) {
                    $line += substr_count(substr($text, 0, $at), "\n");
                    $from = $at;
                }
            }
            if ($length - $from > self::LONGEST_ITEM) {
                throw NotATable::badJson($line, 'one item is longer than ' . (self::LONGEST_ITEM >> 20) . ' MB');
            }
            $rest = $text;
        }
        throw NotATable::badJson($line + substr_count(substr($rest, $from), "\n"), 'the list does not end');
    }

    /** @param resource $file */
    private static function end($file, string $behind, int $line): void
    {
        do {
            if (trim($behind, self::BLANK) !== '') {
                throw NotATable::badJson($line, 'something stands behind the list');
            }
        } while (($behind = (string) fread($file, self::BLOCK)) !== '');
        fclose($file);
    }
}
