<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Values\Observations;

/**
 * Interquartile range: how wide the middle half of the values is, Q₃ − Q₁.
 *
 * Definition  under the quartile rule of the basis, see `Quartiles`.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * Source      see `QuartileRule`.
 * Accuracy    exact, then correctly rounded.
 * Cost        a few look-ups by rank.
 */
final readonly class InterquartileRange implements Statistic
{
    public function key(): string
    {
        return 'iqr';
    }

    public function label(): string
    {
        return 'Interquartile range';
    }

    public function symbol(TakenAs $takenAs): string
    {
        return '';
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

        return Figure::exact($observations->quartiles($basis->quartileRule)->interquartileRange());
    }
}
