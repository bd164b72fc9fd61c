<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Values\Observations;

/**
 * Minimum: the smallest value.
 *
 * Definition  x₍1₎.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * Source      no convention involved.
 * Accuracy    the typed decimal, correctly rounded.
 * Cost        one look-up by rank.
 */
final readonly class Minimum implements Statistic
{
    public function key(): string
    {
        return 'min';
    }

    public function label(): string
    {
        return 'Minimum';
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

        return Figure::exact($observations->values->at(1)->toBigRational());
    }
}
