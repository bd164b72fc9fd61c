<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Sum of squares of the values.
 *
 * Definition  Σ f·x².
 * Unit        the unit of the variable, squared.
 * Undefined   Reason::NeedsOneValue when n = 0. Reason::OutOfRange beyond the doubles.
 * When        to check a reckoning by hand.
 * Misleads    It is of the values, not of their deviations from the mean.
 * Source      no convention involved.
 * Accuracy    exact, then correctly rounded.
 * Cost        O(1) from merged power sums.
 */
final readonly class SumOfSquares extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('sum_of_squares', 'Sum of squares', 'Σx²', 'Σx²', ShownAs::UnitSquared);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return new Steps('Σx² = x₁² + x₂² + … + xₙ²', ['Σx² = ' . Written::sum($observations, static fn(string $x): string => "{$x}²") . ' = ' . Written::number($observations->sumOfSquares())], 'no convention involved');
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::exact($observations->sumOfSquares());
    }
}
