<?php

declare(strict_types=1);

namespace RowTally\Core\Quantiles;

use Brick\Math\BigRational;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\OrderedValues;

/**
 * Q₁, Q₂ and Q₃ under one rule, as exact ratios.
 *
 * Definition  halves rules: medians of the lower and the upper half, Q₂ the median; for odd n the middle value belongs to
 *             neither half (`halves-excluded`) or to both (`halves-included`); one value is its own quartiles.
 *             hf1 … hf9: Q(¼), Q(½), Q(¾) of `Quantile`. Q₂ of hf1, hf3 and hf4 need not be the median.
 * Unit        the variable's unit.
 * Undefined   for no values.
 * Source      see `QuartileRule`.
 * Accuracy    exact.
 * Cost        up to six look-ups by rank.
 */
final class Quartiles
{
    private ?BigRational $range = null;

    private function __construct(
        public readonly BigRational $q1,
        public readonly BigRational $q2,
        public readonly BigRational $q3,
    ) {}

    /**
     * @throws InvalidInput when there are no values
     */
    public static function of(OrderedValues $values, QuartileRule $rule): self
    {
        $n = $values->n();
        if ($n === 0) {
            throw InvalidInput::noValues('A quartile');
        }
        if ($rule !== QuartileRule::HalvesExcluded && $rule !== QuartileRule::HalvesIncluded) {
            return new self(
                Quantile::of($values, $rule, 1, 4),
                Quantile::of($values, $rule, 1, 2),
                Quantile::of($values, $rule, 3, 4),
            );
        }
        $half = max(1, $rule === QuartileRule::HalvesExcluded ? intdiv($n, 2) : intdiv($n + 1, 2));

        return new self(
            MiddleValue::ofRanks($values, 1, $half),
            MiddleValue::of($values),
            MiddleValue::ofRanks($values, $n - $half + 1, $n),
        );
    }

    public function interquartileRange(): BigRational
    {
        return $this->range ??= Exact::simplest($this->q3->minus($this->q1));
    }

    /** Q₁ − $multiplier · IQR, the multiplier as decimal text. */
    public function lowerFence(string $multiplier): BigRational
    {
        return Exact::simplest($this->q1->minus($this->interquartileRange()->multipliedBy($multiplier)));
    }

    /** Q₃ + $multiplier · IQR, the multiplier as decimal text. */
    public function upperFence(string $multiplier): BigRational
    {
        return Exact::simplest($this->q3->plus($this->interquartileRange()->multipliedBy($multiplier)));
    }
}
