<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/**
 * Steps that people count in: 1, 2, 2.5 and 5 times a power of ten, as exact decimals.
 */
final class RoundNumbers
{
    /** @var list<array{int, int}> unscaled and scale of the steps within one power of ten, and the first of the next */
    private const STEPS = [[1, 0], [2, 0], [25, 1], [5, 0], [10, 0]];

    /** The smallest round step that is at least $least (greater than 0). */
    public static function stepAtLeast(BigRational $least): BigDecimal
    {
        $exponent = self::exponent($least);
        foreach (self::STEPS as [$unscaled, $scale]) {
            $step = self::scaled($unscaled, $scale - $exponent);
            if ($step->compareTo($least) >= 0) {
                return $step;
            }
        }

        return self::scaled(10, -$exponent);
    }

    /** The round step nearest to $wanted (greater than 0), by ratio. */
    public static function stepNear(BigRational $wanted): BigDecimal
    {
        $exponent = self::exponent($wanted);
        $steps = array_map(static fn(array $step): BigDecimal => self::scaled($step[0], $step[1] - $exponent), self::STEPS);
        $best = $steps[0];
        foreach ($steps as $step) {
            // step / wanted < wanted / best, in whole numbers: the next step up is nearer on the scale of ratios.
            if ($step->toBigRational()->multipliedBy($best->toBigRational())->compareTo($wanted->multipliedBy($wanted)) <= 0) {
                $best = $step;
                continue;
            }
            $previous = $best->toBigRational();
            if ($step->toBigRational()->dividedBy($wanted)->compareTo($wanted->dividedBy($previous)) < 0) {
                $best = $step;
            }
            break;
        }

        return $best;
    }

    /** @return array{?BigDecimal, ?BigDecimal} the next round number below another and above it; null where there is none that fits within half or twice of it */
    public static function next(BigDecimal $number, ?BigDecimal $multipleOf): array
    {
        $wanted = $number->toBigRational();
        $around = array_filter(self::around($wanted), static fn(BigDecimal $round): bool => $multipleOf === null || $round->remainder($multipleOf)->isZero());
        $next = static fn(int $side): ?BigDecimal => self::nearest($around, $wanted, static fn(BigDecimal $round): bool => $round->compareTo($number) === $side)
            ?? ($multipleOf === null ? null : self::nextMultiple($number, $side > 0, $multipleOf));

        return [$next(-1), $next(1)];
    }

    private static function nextMultiple(BigDecimal $number, bool $above, BigDecimal $step): ?BigDecimal
    {
        $next = $above ? $number->multipliedBy(2) : $step->multipliedBy($number->dividedBy($step->multipliedBy(2), 0, RoundingMode::DOWN));

        return $next->isGreaterThan(0) && $next->remainder($step)->isZero() ? $next : null;
    }

    /** A round number near to $wanted that is a multiple of $step, or else a round multiple of $step. */
    public static function multipleNear(BigRational $wanted, BigDecimal $step): BigDecimal
    {
        $wanted = $wanted->compareTo($step) < 0 ? $step->toBigRational() : $wanted;
        $best = self::nearest(self::around($wanted), $wanted, static fn(BigDecimal $round): bool => $round->remainder($step)->isZero());
        if ($best !== null) {
            return $best;
        }
        $times = self::around($wanted->dividedBy($step));

        return $step->multipliedBy(self::nearest($times, $wanted->dividedBy($step), static fn(BigDecimal $number): bool => $number->stripTrailingZeros()->getScale() <= 0) ?? BigDecimal::one());
    }

    /** @return list<BigDecimal> the round numbers from half as large to twice as large */
    private static function around(BigRational $wanted): array
    {
        $exponent = self::exponent($wanted);
        $all = array_map(static fn(array $step): BigDecimal => self::scaled($step[0], $step[1] - $exponent), [[5, 1], ...self::STEPS, [20, 0]]);

        return array_values(array_filter($all, static fn(BigDecimal $round): bool => $wanted->compareTo($round->multipliedBy(2)) <= 0 && $round->compareTo($wanted->multipliedBy(2)) <= 0));
    }

    /**
     * @param array<BigDecimal>          $numbers
     * @param callable(BigDecimal): bool $fits
     */
    private static function nearest(array $numbers, BigRational $wanted, callable $fits): ?BigDecimal
    {
        $best = null;
        foreach (array_filter($numbers, $fits) as $number) {
            $apart = $wanted->dividedBy($number);
            $apart = $apart->isLessThan(1) ? BigRational::one()->dividedBy($apart) : $apart;
            if ($best === null || $apart->isLessThan($best[1])) {
                $best = [$number, $apart];
            }
        }

        return $best[0] ?? null;
    }

    /** The largest multiple of $step that does not exceed $value. */
    public static function floorTo(BigRational $value, BigDecimal $step): BigDecimal
    {
        return $step->multipliedBy($value->dividedBy($step)->toScale(0, RoundingMode::FLOOR));
    }

    /** ⌊log₁₀ value⌋ */
    private static function exponent(BigRational $value): int
    {
        $exponent = strlen((string) $value->getNumerator()->abs()) - strlen((string) $value->getDenominator());

        return self::scaled(1, -$exponent)->compareTo($value->abs()) > 0 ? $exponent - 1 : $exponent;
    }

    private static function scaled(int $unscaled, int $scale): BigDecimal
    {
        return $scale >= 0
            ? BigDecimal::ofUnscaledValue($unscaled, $scale)
            : BigDecimal::of($unscaled)->multipliedBy(BigDecimal::of(10)->power(-$scale));
    }
}
