<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Sum of the values.
 *
 * Definition  Σ f·x.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0. Reason::OutOfRange beyond the doubles.
 * When        where the whole is meant: a harvest, a cost.
 * Misleads    Missing rows are missing in it: it is too small by them.
 * Source      no convention involved.
 * Accuracy    exact, then correctly rounded.
 * Cost        O(1) from merged power sums.
 */
final readonly class Sum extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('sum', 'Sum', 'Σx', 'Σx', ShownAs::Unit);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return new Steps('Σx = x₁ + x₂ + … + xₙ', ['Σx = ' . Written::sum($observations, static fn(string $x): string => $x) . ' = ' . Written::number($observations->sum())], 'no convention involved');
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return $observations->hasWholeCounts() ? Figure::ofTheData($observations->sum()) : Figure::exact($observations->sum());
    }
}
