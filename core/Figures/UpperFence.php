<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Values\Observations;

/**
 * Upper fence: values above it are called outliers, Q₃ + 1.5 · IQR (the multiplier of the basis).
 *
 * Definition  under the quartile rule of the basis, see `Quartiles`.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * Source      see `QuartileRule`.
 * Accuracy    exact, then correctly rounded.
 * Cost        a few look-ups by rank.
 */
final readonly class UpperFence implements Statistic
{
    public function key(): string
    {
        return 'upper_fence';
    }

    public function label(): string
    {
        return 'Upper fence';
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

        return Figure::exact($observations->quartiles($basis->quartileRule)->upperFence($basis->innerFence));
    }
}
