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
