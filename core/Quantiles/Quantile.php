<?php

declare(strict_types=1);

namespace RowTally\Core\Quantiles;

use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\OrderedValues;

/**
 * The sample quantile Q(p) of Hyndman & Fan's nine definitions.
 *
 * Definition  pos = np + m, j = ⌊pos⌋, g = pos − j;  Q(p) = (1 − c)·x₍j₎ + c·x₍j+1₎ with x₍0₎ = x₍1₎ and x₍n+1₎ = x₍n₎.
 *             m: 0, 0, −½, 0, ½, p, 1 − p, (p + 1)/3, p/4 + 3/8 for definitions 1 to 9.
 *             c: definition 1: 0 if g = 0, else 1; 2: ½ if g = 0, else 1; 3: 0 if g = 0 and j is even, else 1; 4 to 9: g.
 * Unit        the variable's unit.
 * Undefined   for no values at all (the caller asks only for n ≥ 1).
 * Source      Hyndman & Fan, The American Statistician 50 (1996) 361–365.
 * Accuracy    exact: positions and interpolation are ratios of whole numbers, so a jump is never missed by a rounding.
 * Cost        two look-ups by rank.
 */
final class Quantile
{
    /**
     * p as the ratio $numerator / $denominator, from 0 to 1.
     *
     * @param QuartileRule $rule one of hf1 … hf9; the halves rules have no quantiles but the quartiles, and are served by
     *                           hf6 (middle left out) and hf7 (middle shared)
     *
     * @throws InvalidInput when there are no values
     */
    public static function of(OrderedValues $values, QuartileRule $rule, int $numerator, int $denominator): BigRational
    {
        $n = $values->n();
        if ($n === 0) {
            throw InvalidInput::noValues('A quantile');
        }
        ['below' => $j, 'weight' => $weight] = self::neighbours($rule, $n, BigRational::nd($numerator, $denominator));
        $below = self::at($values, $j, $n);
        if ($weight->getSign() === 0) {
            return $below;
        }

        return Exact::simplest($below->plus(self::at($values, $j + 1, $n)->minus($below)->multipliedBy($weight)));
    }

    /** np + m, the rank with its fraction. */
    public static function position(QuartileRule $rule, int $n, BigRational $p): BigRational
    {
        return Exact::simplest($p->multipliedBy($n)->plus(self::offset($rule, $p)));
    }

    /** @return array{below: int, weight: BigRational} the rank below the position, and how much the next one weighs */
    public static function neighbours(QuartileRule $rule, int $n, BigRational $p): array
    {
        $position = self::position($rule, $n, $p);
        [$j, $remainder] = self::floor($position);

        return ['below' => $j, 'weight' => self::weight($rule, $j, BigRational::nd($remainder, $position->getDenominator()))];
    }

    private static function offset(QuartileRule $rule, BigRational $p): BigRational
    {
        return match ($rule) {
            QuartileRule::Hf1, QuartileRule::Hf2, QuartileRule::Hf4 => BigRational::zero(),
            QuartileRule::Hf3 => BigRational::nd(-1, 2),
            QuartileRule::Hf5 => BigRational::nd(1, 2),
            QuartileRule::Hf6, QuartileRule::HalvesExcluded => $p,
            QuartileRule::Hf7, QuartileRule::HalvesIncluded => BigRational::one()->minus($p),
            QuartileRule::Hf8 => $p->plus(1)->dividedBy(3),
            QuartileRule::Hf9 => $p->dividedBy(4)->plus(BigRational::nd(3, 8)),
        };
    }

    private static function weight(QuartileRule $rule, int $j, BigRational $g): BigRational
    {
        $onRank = $g->getSign() === 0;

        return match ($rule) {
            QuartileRule::Hf1 => $onRank ? BigRational::zero() : BigRational::one(),
            QuartileRule::Hf2 => $onRank ? BigRational::nd(1, 2) : BigRational::one(),
            QuartileRule::Hf3 => $onRank && $j % 2 === 0 ? BigRational::zero() : BigRational::one(),
            default => $g,
        };
    }

    /** @return array{int, BigInteger} ⌊position⌋ and what is left over of the numerator */
    private static function floor(BigRational $position): array
    {
        [$quotient, $remainder] = $position->quotientAndRemainder();
        if ($remainder->getSign() < 0) {
            return [$quotient->toInt() - 1, $remainder->plus($position->getDenominator())];
        }

        return [$quotient->toInt(), $remainder];
    }

    private static function at(OrderedValues $values, int $rank, int $n): BigRational
    {
        return $values->at(max(1, min($n, $rank)))->toBigRational();
    }
}
