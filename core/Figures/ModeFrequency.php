<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;

/**
 * Count of the mode: how often the most frequent values occur.
 *
 * Definition  the largest count of a value.
 * Unit        rows, or the unit of the counts.
 * Undefined   as `Mode`.
 * When        beside the modes: how much they are ahead of the others.
 * Misleads    Ten of twenty is much and ten of a thousand little: read it beside the count.
 * Source      no convention involved.
 * Accuracy    exact.
 * Cost        one pass over the counts.
 */
final readonly class ModeFrequency extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('modes_frequency', 'Count of the mode', '', '', ShownAs::Rows);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return (new Mode())->steps($observations, $basis);
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $most = Modes::of($observations->values);

        return $most->reason ?? Figure::rows($most->count, $observations->countDecimals);
    }
}
