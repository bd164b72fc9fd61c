<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Missing: how many rows of the group have no value that could be read as a number.
 *
 * Definition  rows of the group minus n.
 * Unit        rows, or the unit of the counts.
 * Undefined   never.
 * When        before anything else: a figure of the others is only as good as what is missing is like them.
 * Misleads    Missing is seldom by chance. Whoever did not answer, or what could not be weighed, may be just what matters.
 * Source      no convention involved.
 * Accuracy    exact.
 * Cost        O(1).
 */
final readonly class Missing extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('missing', 'Missing', '', '', ShownAs::Rows);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return new Steps('rows of the group − n', [Written::count($observations->missing + $observations->n(), $observations->countDecimals) . ' − ' . Written::size($observations) . ' = ' . Written::count($observations->missing, $observations->countDecimals)], 'no convention involved');
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::rows($observations->missing, $observations->countDecimals);
    }

    protected function standsWithoutValues(): bool
    {
        return true;
    }
}
