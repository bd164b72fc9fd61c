<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Values\Observations;

/**
 * Variance s² (σ² for a population): how far the values lie from their mean, on average, squared.
 *
 * Definition  s² = Σ fᵢ(xᵢ − x̄)² / (n − 1);  σ² = Σ fᵢ(xᵢ − µ)² / N.
 * Unit        the unit of the variable, squared.
 * Undefined   Reason::NeedsOneValue when n = 0; Reason::NeedsTwoValues for a sample of one; Reason::OutOfRange when the
 *             variance leaves the doubles (values near 1e300 or 1e-300), where the standard deviation still stands.
 *             Zero, not undefined, when all values are equal.
 * Source      Σ(x − x̄)² = (n·Σx² − (Σx)²) / n on exact integers, where nothing can cancel.
 * Accuracy    correctly rounded.
 * Cost        one pass over the distinct values; O(1) from merged power sums.
 */
final readonly class Variance implements Statistic
{
    public function key(): string
    {
        return 'variance';
    }

    public function label(): string
    {
        return 'Variance';
    }

    public function symbol(TakenAs $takenAs): string
    {
        return $takenAs === TakenAs::Sample ? 's²' : 'σ²';
    }

    public function shownAs(): ShownAs
    {
        return ShownAs::UnitSquared;
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

        return Figure::exact($observations->powerSums()->squaredDeviations()->dividedBy($divisor));
    }
}
