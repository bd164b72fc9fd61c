<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Values\Exact;

/** Counts in words. They need not be whole, where a variable says how often a row counts. */
final class Counted
{
    private const DECIMALS = 3;

    /** With commas between thousands, as counts stand everywhere. */
    public static function text(int|float $count): string
    {
        return NumberMarks::count($count, self::DECIMALS);
    }

    /** Of so many whole units of a power of ten. */
    public static function of(int $count, int $decimals): string
    {
        return self::text($decimals === 0 ? $count : $count / 10 ** $decimals);
    }

    /** "1 row", "2 rows" */
    public static function things(int|float $count, string $one): string
    {
        return self::text($count) . " {$one}" . (self::text($count) === '1' ? '' : 's');
    }

    /** As a table for machines has it. */
    public static function plain(int $count, int $decimals): string
    {
        return $decimals === 0 ? (string) $count : Exact::plainText($count / 10 ** $decimals);
    }
}
