<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Values\Observations;
use RowTally\Core\Working\Steps;

/**
 * Mean, lower limit of its confidence interval at the level of the basis.
 *
 * Definition  x̄ − t·SE, t the quantile (1 + level)/2 of Student's t with n − 1 degrees of freedom.
 * Unit        the unit of the variable.
 * Undefined   as `StandardError`.
 * Source      Student, Biometrika 6 (1908) 1–25.
 * Accuracy    1e-12 relative to the half-width.
 * Cost        one quantile of t.
 */
final readonly class MeanIntervalLow extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('ci_mean_low', 'Mean, lower limit', '', '', ShownAs::Unit);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return MeanInterval::steps($observations, $basis, false);
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return MeanInterval::limit($observations, $basis, false);
    }
}
