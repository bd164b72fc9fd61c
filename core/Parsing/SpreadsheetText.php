<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

/**
 * Texts that a spreadsheet would run as a formula when it opens a CSV file: an apostrophe in front makes them texts, and is
 * taken off again on the way in. A text that has such an apostrophe itself gets one more.
 *
 * Source  OWASP, CSV Injection: cells that begin with = + - @, a tab or a carriage return.
 */
final class SpreadsheetText
{
    public static function harmless(string $text): string
    {
        return preg_match('/^\'*[=+\-@\t\r]/', $text) === 1 ? "'{$text}" : $text;
    }

    /** A text from elsewhere, written so that `original()` gives just it: only what would lose an apostrophe gets one more. */
    public static function kept(string $text): string
    {
        return self::original($text) === $text ? $text : "'{$text}";
    }

    public static function original(string $text): string
    {
        return preg_match('/^\'+[=+\-@\t\r]/', $text) === 1 ? substr($text, 1) : $text;
    }
}
