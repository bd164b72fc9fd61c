<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Values\Observations;

/**
 * Missing: how many rows of the group have no value that could be read as a number.
 *
 * Definition  rows of the group minus n.
 * Unit        rows.
 * Undefined   never.
 * Source      no convention involved.
 * Accuracy    exact.
 * Cost        O(1).
 */
final readonly class Missing implements Statistic
{
    public function key(): string
    {
        return 'missing';
    }

    public function label(): string
    {
        return 'Missing';
    }

    public function symbol(TakenAs $takenAs): string
    {
        return '';
    }

    public function shownAs(): ShownAs
    {
        return ShownAs::Rows;
    }

    public function of(Observations $observations, Basis $basis): Figure
    {
        return Figure::count($observations->missing);
    }
}
