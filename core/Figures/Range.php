<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Values\Observations;

/**
 * Range: how far apart the largest and the smallest value lie.
 *
 * Definition  x₍n₎ − x₍1₎.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * Source      no convention involved.
 * Accuracy    the difference is exact, then correctly rounded.
 * Cost        two look-ups by rank.
 */
final readonly class Range implements Statistic
{
    public function key(): string
    {
        return 'range';
    }

    public function label(): string
    {
        return 'Range';
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
        $values = $observations->values;

        return Figure::exact($values->at($values->n())->minus($values->at(1))->toBigRational());
    }
}
