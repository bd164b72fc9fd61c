<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Quantiles\MiddleValue;
use RowTally\Core\Values\Observations;

/**
 * Median: half of the values lie below it, half above.
 *
 * Definition  the middle value, or the mean of the two middle ones; the same under every quartile rule.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * Source      see `Quantiles\MiddleValue`.
 * Accuracy    exact, then correctly rounded.
 * Cost        one or two look-ups by rank.
 */
final readonly class Median implements Statistic
{
    public function key(): string
    {
        return 'median';
    }

    public function label(): string
    {
        return 'Median';
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

        return Figure::exact(MiddleValue::of($observations->values));
    }
}
