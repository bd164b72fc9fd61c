<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\QuantileSteps;
use RowTally\Core\Working\Steps;

/**
 * Median: the middle value in order, or the mean of the two middle ones.
 *
 * Definition  see `MiddleValue`; the same under every quartile rule.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * When        for values with a long tail or far values, and for ranks.
 * Misleads    It does not add up: half of the rows say nothing of the sum. Between two heaps it lies where nothing is.
 * Source      no convention involved.
 * Accuracy    exact, then correctly rounded.
 * Cost        two look-ups by rank.
 */
final readonly class Median extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('median', 'Median', 'x̃', 'x̃', ShownAs::Unit);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return new Steps('x̃ = the middle value in order, or the mean of the two in the middle', QuantileSteps::median($observations), 'no convention involved', true);
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::quantile($observations->median(), $observations->values);
    }
}
