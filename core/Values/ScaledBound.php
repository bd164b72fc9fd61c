<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/** A bound among whole numbers over one power of ten, clamped to what a machine integer holds. */
final class ScaledBound
{
    /** Numbers of up to this many digits are surely machine integers. */
    private const DIGITS = 18;

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

    /**
     * Of a decimal: the smallest unscaled number that is not below it, or that is above it. Machine integers do it while they hold
     * it, which is many times faster than a ratio.
     */
    public static function ofDecimal(BigDecimal $bound, int $decimals, bool $isAbove): int
    {
        $more = $decimals - $bound->getScale();
        $unscaled = (string) $bound->getUnscaledValue();
        if (abs($more) > self::DIGITS || strlen($unscaled) + max(0, $more) > self::DIGITS) {
            return $isAbove ? self::above($bound->toBigRational(), $decimals) : self::atLeast($bound->toBigRational(), $decimals);
        }
        if ($more >= 0) {
            return (int) $unscaled * 10 ** $more + ($isAbove ? 1 : 0);
        }
        $over = (int) $unscaled % 10 ** -$more;
        $below = intdiv((int) $unscaled - $over, 10 ** -$more) - ($over < 0 ? 1 : 0);

        return $below + ($isAbove || $over !== 0 ? 1 : 0);
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
