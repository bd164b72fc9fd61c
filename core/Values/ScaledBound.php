<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/** A bound among whole numbers over one power of ten, clamped to what a machine integer holds. */
final class ScaledBound
{
    /** The smallest unscaled number that is not below the bound. */
    public static function atLeast(BigRational $bound, int $decimals): int
    {
        return self::scaled($bound, $decimals, RoundingMode::CEILING);
    }

    /** The smallest unscaled number that is above the bound. */
    public static function above(BigRational $bound, int $decimals): int
    {
        return self::scaled($bound, $decimals, RoundingMode::FLOOR) + 1;
    }

    private static function scaled(BigRational $bound, int $decimals, RoundingMode $rounding): int
    {
        $scaled = $bound->multipliedBy(10 ** $decimals)->toScale(0, $rounding);

        return match (true) {
            $scaled->isGreaterThan(PHP_INT_MAX - 1) => PHP_INT_MAX - 1,
            $scaled->isLessThan(PHP_INT_MIN) => PHP_INT_MIN,
            default => $scaled->toInt(),
        };
    }
}
