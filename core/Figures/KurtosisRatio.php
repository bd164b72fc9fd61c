<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;

/**
 * Kurtosis ÷ its standard error: beyond ±2 it would be unusual for a normal sample.
 *
 * Definition  `Kurtosis` / `KurtosisError`.
 * Unit        none.
 * Undefined   as either.
 * When        with some twenty to three hundred values.
 * Misleads    With many values any small departure is beyond 2: look at the kurtosis itself then.
 * Source      Cramér, Mathematical Methods of Statistics (1946) 386.
 * Accuracy    1e-12 relative on well-scaled data.
 * Cost        that of `Kurtosis`.
 */
final readonly class KurtosisRatio extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('kurtosis_ratio', 'Kurtosis ÷ its standard error', '', '', ShownAs::Ratio);
    }

    public function dependsOn(): array
    {
        return [Convention::Divisor];
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return Ratio::steps(new Kurtosis(), new KurtosisError(), $observations, $basis);
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Ratio::of((new Kurtosis())->of($observations, $basis), (new KurtosisError())->of($observations, $basis));
    }
}
