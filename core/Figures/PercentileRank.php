<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;

/**
 * Where one value stands among the others: its percentile rank and its z-score.
 *
 * Definition  percentile rank = 100·(values below + ½·values equal) / n;  z = (x − x̄) / s with the standard deviation of the basis.
 * Unit        percent; z without a unit.
 * Undefined   the rank needs 1 value; z is undefined where the standard deviation is 0 or undefined.
 * When        to tell where one value stands among the others.
 * Misleads    Ten points in the middle are a small step of the value and at the ends a large one. z means a share only for normal values.
 * Source      the common definition that counts half of the equal values.
 * Accuracy    exact, then correctly rounded.
 * Cost        two binary searches.
 */
final readonly class PercentileRank
{
    private function __construct(
        public BigDecimal $value,
        public Figure $percentileRank,
        public Figure $z,
        /** in the unit of the counts */
        public int $below,
        public int $equal,
        public int $above,
    ) {}

    public static function of(BigDecimal $value, Observations $observations, Basis $basis): self
    {
        $n = $observations->n();
        $bound = BigRational::of($value);
        $below = $observations->values->countBelow($bound);
        $equal = $observations->values->countUpTo($bound) - $below;

        return new self(
            $value,
            $n === 0 ? Figure::undefined(Reason::NeedsOneValue) : Figure::exact(BigRational::nd(100 * $below + 50 * $equal, $n)),
            self::z($bound, $observations, $basis),
            $below,
            $equal,
            $n - $below - $equal,
        );
    }

    public static function z(BigRational $value, Observations $observations, Basis $basis): Figure
    {
        if ($observations->n() === 0) {
            return Figure::undefined(Reason::NeedsOneValue);
        }
        $variance = $observations->variance($basis->takenAs);
        if ($variance === null) {
            return Variance::tooFew($observations);
        }
        if ($variance->isZero()) {
            return Figure::undefined(Reason::AllValuesAreEqual);
        }
        $distance = $value->minus($observations->mean());
        $size = Exact::squareRoot($distance->multipliedBy($distance)->dividedBy($variance)->simplified());

        return Figure::double($size === null || $distance->isPositiveOrZero() ? $size : -$size);
    }
}
