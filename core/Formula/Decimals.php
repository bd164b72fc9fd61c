<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

use Brick\Math\BigDecimal;
use RowTally\Core\Values\Exact;

/**
 * Numbers of a formula: doubles while a double stands for one decimal only (15 digits), decimals of any length beyond that.
 */
final class Decimals
{
    /** Decimals of up to so many digits are told apart by their doubles; whole numbers below this are. */
    public const DIGITS = 15;
    public const EXACT_BELOW = 1e15;
    /** More decimals than a column holds are left to doubles. */
    public const MOST = 18;

    /** As a double wherever the double says the same. */
    public static function plain(BigDecimal $number): float|BigDecimal
    {
        $digits = strlen((string) $number->getUnscaledValue()->abs());

        return $digits <= self::DIGITS && $number->getScale() <= self::MOST + self::DIGITS ? (float) (string) $number + 0.0 : $number;
    }

    public static function exact(float|BigDecimal $number): BigDecimal
    {
        return is_float($number) ? BigDecimal::of(Exact::shortestText($number)) : $number;
    }

    public static function double(float|BigDecimal $number): float
    {
        return is_float($number) ? $number : (float) (string) $number;
    }

    /** −1, 0 or 1, as they are written. */
    public static function order(float|BigDecimal $a, float|BigDecimal $b): int
    {
        return is_float($a) && is_float($b) ? $a <=> $b : self::exact($a)->compareTo(self::exact($b));
    }

    /** A decimal in units of its last place; null where a double does not hold that. */
    public static function unscaled(float $number, int $decimals): ?float
    {
        $unscaled = $number * 10.0 ** $decimals;

        return abs($unscaled) < self::EXACT_BELOW ? round($unscaled) : null;
    }

    /** How many decimals 1 / $divisor has; null where they never end. */
    public static function ofPart(int $divisor): ?int
    {
        $decimals = 0;
        foreach ([2, 5] as $factor) {
            $times = 0;
            while ($divisor % $factor === 0) {
                $divisor = intdiv($divisor, $factor);
                ++$times;
            }
            $decimals = max($decimals, $times);
        }

        return $divisor === 1 ? $decimals : null;
    }
}
