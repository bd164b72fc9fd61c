<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Count n: how many rows of the group have a value, or what their counts add up to.
 *
 * Definition  Σ f, each row counting once without a counts variable.
 * Unit        rows, or the unit of the counts.
 * Undefined   never.
 * When        beside every figure: it says how many values the figure rests on.
 * Misleads    Rows without a value and rows set aside are not in it; a mean of few of many rows speaks for those few.
 * Source      no convention involved.
 * Accuracy    exact.
 * Cost        O(1).
 */
final readonly class Count extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('n', 'Count', 'n', 'N', ShownAs::Rows);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return new Steps($this->symbol($basis->takenAs) . ' = Σf', [Written::size($observations) . ($observations->hasWholeCounts() ? ' rows have a value' : ' is what the counts add up to')], 'no convention involved');
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::rows($observations->n(), $observations->countDecimals);
    }

    protected function standsWithoutValues(): bool
    {
        return true;
    }
}
