<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Coefficient of variation: the standard deviation as a share of the mean; negative when the mean is.
 *
 * Definition  s / x̄ for a sample, σ / µ for a population.
 * Unit        none.
 * Undefined   as the variance; Reason::MeanIsZero.
 * When        to compare spreads of amounts that differ in size or in unit.
 * Misleads    It needs a true zero: of temperatures in degrees it means nothing, and near a mean of 0 it is anything.
 * Source      no convention involved.
 * Accuracy    correctly rounded.
 * Cost        O(1) from merged power sums.
 */
final readonly class CoefficientOfVariation extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('cv', 'Coefficient of variation', 'CV', 'CV', ShownAs::Share);
    }

    public function dependsOn(): array
    {
        return [Convention::Divisor];
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $sd = new StandardDeviation();
        $spread = $sd->symbol($basis->takenAs);
        $mean = Written::meanSymbol($basis->takenAs);

        return new Steps(
            "CV = {{$spread}}/{{$mean}}",
            [
                ...$sd->steps($observations, $basis)->lines,
                'CV = {' . Written::number($sd->of($observations, $basis)->number() ?? 0) . '}/{' . Written::number($observations->mean()) . '} = ' . Written::number($this->of($observations, $basis)->number() ?? 0),
            ],
            'no convention but the divisor',
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $variance = $observations->variance($basis->takenAs);
        $mean = $observations->mean();
        if ($variance === null) {
            return Variance::tooFew($observations);
        }
        if ($mean->isZero()) {
            return Figure::undefined(Reason::MeanIsZero);
        }
        $root = Exact::squareRoot($variance->dividedBy($mean)->dividedBy($mean));

        return Figure::double($root === null || $mean->isPositive() ? $root : -$root);
    }
}
