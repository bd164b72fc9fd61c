<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Standard error of the mean, always from the sample standard deviation: a population has no sampling error.
 *
 * Definition  s / √n.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0. Reason::NeedsTwoValues for one.
 * When        where the precision of a sample's mean is meant, for intervals.
 * Misleads    It is small because there are many values, not because they are alike: it is no measure of spread, and bars of it make groups look
 *             tidier than they are.
 * Source      no convention involved.
 * Accuracy    correctly rounded.
 * Cost        O(1) from merged power sums.
 */
final readonly class StandardError extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('se_mean', 'Standard error of the mean', 'SE', 'SE', ShownAs::Unit);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $sample = new Basis(SampleOrPopulation::Sample);
        $sd = new StandardDeviation();

        return new Steps(
            'SE = {s}/{√{n}}, with the sample standard deviation s whatever the rows are taken as',
            [
                ...$sd->steps($observations, $sample)->lines,
                'SE = {' . Written::number($sd->of($observations, $sample)->number() ?? 0) . '}/{√{' . Written::size($observations) . '}} = ' . Written::number($this->of($observations, $basis)->number() ?? 0),
            ],
            'no convention involved',
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $variance = $observations->variance(SampleOrPopulation::Sample);

        return $variance === null ? Variance::tooFew($observations) : Figure::rootOf($variance->dividedBy($observations->size()));
    }
}
