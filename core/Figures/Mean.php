<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Values\Observations;

/**
 * Arithmetic mean x̄ (µ for a population): the balance point of the values.
 *
 * Definition  x̄ = Σ fᵢxᵢ / Σ fᵢ.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * Source      exact addition of the decimals as typed, see `PowerSums`.
 * Accuracy    correctly rounded.
 * Cost        one pass over the distinct values; O(1) from merged power sums.
 */
final readonly class Mean implements Statistic
{
    public function key(): string
    {
        return 'mean';
    }

    public function label(): string
    {
        return 'Mean';
    }

    public function symbol(TakenAs $takenAs): string
    {
        return $takenAs === TakenAs::Sample ? 'x̄' : 'µ';
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

        return Figure::exact($observations->powerSums()->sum()->dividedBy($observations->n()));
    }
}
