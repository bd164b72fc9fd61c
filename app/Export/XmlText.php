<?php

declare(strict_types=1);

namespace App\Export;

/** Text for XML 1.0, which has no place for most control characters: they become the replacement character. */
final class XmlText
{
    public static function of(string $text): string
    {
        $allowed = preg_replace('/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u', "\u{FFFD}", $text) ?? '';

        return str_replace("\r", '&#13;', htmlspecialchars($allowed, ENT_XML1 | ENT_QUOTES | ENT_SUBSTITUTE));
    }
}
