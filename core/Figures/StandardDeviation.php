<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Values\Observations;

/**
 * Standard deviation s (σ for a population): the root of the variance, in the unit of the values.
 *
 * Definition  s = √s²;  σ = √σ².
 * Unit        the unit of the variable.
 * Undefined   as the variance, but for Reason::OutOfRange: the root of an exact ratio is taken before any rounding.
 * Source      see `Variance`.
 * Accuracy    correctly rounded.
 * Cost        one pass over the distinct values; O(1) from merged power sums.
 */
final readonly class StandardDeviation implements Statistic
{
    public function key(): string
    {
        return 'sd';
    }

    public function label(): string
    {
        return 'Standard deviation';
    }

    public function symbol(TakenAs $takenAs): string
    {
        return $takenAs === TakenAs::Sample ? 's' : 'σ';
    }

    public function shownAs(): ShownAs
    {
        return ShownAs::Unit;
    }

    public function of(Observations $observations, Basis $basis): Figure
    {
        $n = $observations->n();
        if ($n === 0) {
            return Figure::undefined(Reason::NeedsOneValue);
        }
        $divisor = $basis->takenAs->varianceDivisor($n);
        if ($divisor === 0) {
            return Figure::undefined(Reason::NeedsTwoValues);
        }

        return Figure::rootOf($observations->powerSums()->squaredDeviations()->dividedBy($divisor));
    }
}
