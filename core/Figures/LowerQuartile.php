<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\QuantileSteps;
use RowTally\Core\Working\Steps;

/**
 * Lower quartile Q₁: a quarter of the values lie below it.
 *
 * Definition  under the quartile rule of the basis, see `Quartiles`.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * When        beside the median, for values of any shape.
 * Misleads    There are eleven rules, which differ most where values are few: say which one. It says nothing of what lies below it.
 * Source      see `QuartileRule`.
 * Accuracy    exact, then correctly rounded.
 * Cost        a few look-ups by rank.
 */
final readonly class LowerQuartile extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('q1', 'Lower quartile', 'Q₁', 'Q₁', ShownAs::Unit);
    }

    public function dependsOn(): array
    {
        return [Convention::QuartileRule];
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return QuantileSteps::quartile($observations, $basis->quartileRule, false);
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::quantile($observations->quartiles($basis->quartileRule)->q1, $observations->values);
    }
}
