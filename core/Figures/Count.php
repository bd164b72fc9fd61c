<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Values\Observations;

/**
 * Count n (N for a population): how many rows have a value.
 *
 * Definition  the number of values, repeats counted.
 * Unit        rows.
 * Undefined   never; 0 when all values are missing.
 * Source      no convention involved.
 * Accuracy    exact.
 * Cost        O(1).
 */
final readonly class Count implements Statistic
{
    public function key(): string
    {
        return 'n';
    }

    public function label(): string
    {
        return 'Count';
    }

    public function symbol(TakenAs $takenAs): string
    {
        return $takenAs === TakenAs::Sample ? 'n' : 'N';
    }

    public function shownAs(): ShownAs
    {
        return ShownAs::Rows;
    }

    public function of(Observations $observations, Basis $basis): Figure
    {
        return Figure::count($observations->n());
    }
}
