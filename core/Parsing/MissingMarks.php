<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

/** Texts that people write where there is no value. They are offered as missing marks, never taken for them silently. */
final class MissingMarks
{
    private const KNOWN = [
        'n/a', 'na', 'n.a.', '#n/a', '#na', 'n.d.', 'nd', 'nil', 'null', 'none', 'missing', 'unknown', 'nan', '-', '--', '–', '—', '−', '.', '..', '...', '?', '*', 'x',
        'k.a.', 'k. a.', 'keine angabe', 's/d', 's.d.', 'n.c.', 'nr', 'n.r.', 'not recorded', 'not available', 'not applicable',
    ];

    public static function isKnown(string $text): bool
    {
        // None begins with a digit, as most cells do that are asked about.
        return !ctype_digit($text[0] ?? '') && in_array(mb_strtolower(trim($text)), self::KNOWN, true);
    }
}
