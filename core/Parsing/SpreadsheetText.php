<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

/**
 * Texts that a spreadsheet would run as a formula when it opens a CSV file: an apostrophe in front makes them texts, and is
 * taken off again on the way in. A text that has such an apostrophe itself gets one more.
 *
 * Source  OWASP, CSV Injection: cells that begin with = + - @, a tab or a line break; the wide forms of these signs too, which some
 *         programs take for them, and blanks before them, which some leave out.
 */
final class SpreadsheetText
{
    private const RUN = '(?:[\t\r\n]|[\s\p{Z}]*+[=+\-@\x{FF1D}\x{FF0B}\x{FF0D}\x{FE62}\x{FE63}\x{FE66}\x{FF20}])';

    public static function harmless(string $text): string
    {
        return preg_match('/^\'*' . self::RUN . '/u', $text) === 1 ? "'{$text}" : $text;
    }

    /** A text from elsewhere, written so that `original()` gives just it: only what would lose an apostrophe gets one more. */
    public static function kept(string $text): string
    {
        return ($text[0] ?? '') !== "'" || self::original($text) === $text ? $text : "'{$text}";
    }

    public static function original(string $text): string
    {
        return preg_match('/^\'+' . self::RUN . '/u', $text) === 1 ? substr($text, 1) : $text;
    }
}
