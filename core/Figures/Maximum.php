<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Values\Observations;

/**
 * Maximum: the largest value.
 *
 * Definition  x₍n₎.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * Source      no convention involved.
 * Accuracy    the typed decimal, correctly rounded.
 * Cost        one look-up by rank.
 */
final readonly class Maximum implements Statistic
{
    public function key(): string
    {
        return 'max';
    }

    public function label(): string
    {
        return 'Maximum';
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

        return Figure::exact($observations->values->at($observations->n())->toBigRational());
    }
}
