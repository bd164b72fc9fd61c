<?php

declare(strict_types=1);

namespace RowTally\Core\Display;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use RowTally\Core\Marks\NumberMarks;

/**
 * A part in percent of a whole, as it is shown: one decimal, rounded once from the exact ratio, half away from zero.
 */
final class Percent
{
    private const DECIMALS = 1;

    /** Up to this, ten times a percent of it is a machine integer. */
    private const SMALL = PHP_INT_MAX / 4000;

    /**
     * @param int $part  0 or more
     * @param int $whole 1 or more
     */
    public static function text(int $part, int $whole): string
    {
        if ($part < self::SMALL && $whole < self::SMALL) {
            $tenths = intdiv(2000 * $part + $whole, 2 * $whole);

            return NumberMarks::inForce()->written(intdiv($tenths, 10) . '.' . $tenths % 10);
        }

        return DecimalText::plain(BigDecimal::of($part)->multipliedBy(100)->dividedBy($whole, self::DECIMALS, RoundingMode::HALF_UP));
    }
}
