<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Quantiles\Quartiles;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\ValueCounts;

/**
 * A number over all rows, for functions that need more than their own row: its mean, sample standard deviation, ranks and
 * fences under the default basis.
 *
 * Cost  sorting once; each rank is a binary search.
 */
final readonly class Summary
{
    private function __construct(
        private OrderedValues $values,
        public ?float $mean,
        /** null for fewer than two values */
        public ?float $standardDeviation,
        public ?float $lowerFence,
        public ?float $upperFence,
    ) {}

    /** @param list<float> $values those that are not missing, in any order */
    public static function ofNumbers(array $values): self
    {
        return self::of(ValueCounts::ofUnorderedDoubles(array_map(static fn(float $value): float => $value + 0.0, $values)));
    }

    public static function of(OrderedValues $values): self
    {
        $n = $values->n();
        if ($n === 0) {
            return new self($values, null, null, null, null);
        }
        $sums = $values->powerSums();
        $basis = new Basis();
        $quartiles = Quartiles::of($values, $basis->quartileRule);

        return new self(
            $values,
            Exact::toFloat($sums->sum()->dividedBy($n)),
            $n < 2 ? null : Exact::squareRoot($sums->squaredDeviations()->dividedBy($n - 1)),
            Exact::toFloat($quartiles->lowerFence($basis->innerFence)),
            Exact::toFloat($quartiles->upperFence($basis->innerFence)),
        );
    }

    /** The mean of the ranks that values equal to this one take, from 1. */
    public function rank(float $value): float
    {
        $exact = BigRational::of(Exact::shortestText($value));

        return ($this->values->countBelow($exact) + 1 + $this->values->countUpTo($exact)) / 2;
    }
}
