<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;

/**
 * The grid that coarse values lie on: whole numbers, quarters, tens.
 *
 * Definition  r = the greatest step that all differences of distinct values are multiples of, or with fewer than `EVIDENCE` of them, which
 *             share a step by chance, one unit of their last decimal; known while the range holds fewer than `FINE` of them.
 * Unit        the unit of the variable.
 * Undefined   null for fewer than two different values, and where values lie too finely to tell one from the next.
 * Source      the greatest common divisor (Euclid, Elements, book VII).
 * Accuracy    exact on the decimals as typed.
 * Cost        at most `FINE` distinct values.
 */
final readonly class Resolution
{
    /** From so many steps on, a class need not care which values are possible. */
    public const FINE = 200;

    private const EVIDENCE = 4;
    /** Beyond so many steps it does not matter how many there are. */
    private const FAR = 10 ** 15;

    private function __construct(
        /** greater than 0 */
        public BigDecimal $step,
        public BigDecimal $lowest,
        /** from the lowest to the highest value */
        public int $steps,
    ) {}

    public static function of(OrderedValues $values): ?self
    {
        if ($values->hasMoreDistinctThan(self::FINE)) {
            return null;
        }
        $distinct = array_column($values->lowest(self::FINE), 'value');
        $range = $distinct === [] ? BigDecimal::zero() : $distinct[count($distinct) - 1]->minus($distinct[0]);
        if ($range->isZero()) {
            return null;
        }
        $decimals = max(0, ...array_map(static fn(BigDecimal $value): int => $value->stripTrailingZeros()->getScale(), $distinct));
        $step = count($distinct) < self::EVIDENCE ? BigInteger::one() : BigInteger::zero();
        foreach ($distinct as $value) {
            $step = $step->gcd($value->minus($distinct[0])->toScale($decimals)->getUnscaledValue());
        }
        $steps = $range->toScale($decimals)->getUnscaledValue()->quotient($step);

        return $steps->isGreaterThanOrEqualTo(self::FINE) ? null : new self(BigDecimal::ofUnscaledValue($step, $decimals), $distinct[0], $steps->toInt());
    }

    /** How many possible values lie from one value up to before another; negative where there are fewer than none. */
    public function between(BigDecimal $from, BigDecimal $to): int
    {
        return $this->below($to) - $this->below($from);
    }

    /** The lowest possible value that is at least so large. */
    public function atLeast(BigDecimal $value): BigDecimal
    {
        return $this->lowest->plus($this->step->multipliedBy($this->below($value)));
    }

    /** Whether it is one of the possible values from the lowest to the highest that there is. */
    public function reaches(BigDecimal $value): bool
    {
        $below = $this->below($value);

        return $below >= 0 && $below <= $this->steps && $this->atLeast($value)->isEqualTo($value);
    }

    /** How many steps up from the lowest value the first possible one is that is not below a bound. */
    private function below(BigDecimal $bound): int
    {
        return $bound->minus($this->lowest)->dividedBy($this->step, 0, RoundingMode::CEILING)->clamp(-self::FAR, self::FAR)->toInt();
    }
}
