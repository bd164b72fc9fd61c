<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Values\Observations;

/**
 * Sum Σx.
 *
 * Definition  Σ fᵢxᵢ.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0; Reason::OutOfRange when the sum leaves the doubles.
 * Source      exact addition of the decimals as typed, see `PowerSums`.
 * Accuracy    correctly rounded.
 * Cost        one pass over the distinct values; O(1) from merged power sums.
 */
final readonly class Sum implements Statistic
{
    public function key(): string
    {
        return 'sum';
    }

    public function label(): string
    {
        return 'Sum';
    }

    public function symbol(TakenAs $takenAs): string
    {
        return 'Σx';
    }

    public function shownAs(): ShownAs
    {
        return ShownAs::Unit;
    }

    public function of(Observations $observations, Basis $basis): Figure
    {
        if ($observations->n() === 0) {
            return Figure::undefined(Reason::NeedsOneValue);
        }

        return Figure::exact($observations->powerSums()->sum());
    }
}
