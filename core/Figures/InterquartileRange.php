<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\QuantileSteps;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Interquartile range: how wide the middle half of the values is, Q₃ − Q₁.
 *
 * Definition  under the quartile rule of the basis, see `Quartiles`.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * When        beside a median: how wide the middle half is, whatever the tails do.
 * Misleads    The rule for quartiles decides it where values are few; it is 0 where half of the values are alike.
 * Source      see `QuartileRule`.
 * Accuracy    exact, then correctly rounded.
 * Cost        a few look-ups by rank.
 */
final readonly class InterquartileRange extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('iqr', 'Interquartile range', 'IQR', 'IQR', ShownAs::Unit);
    }

    public function dependsOn(): array
    {
        return [Convention::QuartileRule];
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $quartiles = $observations->quartiles($basis->quartileRule);
        $lower = QuantileSteps::quartile($observations, $basis->quartileRule, false);
        $upper = QuantileSteps::quartile($observations, $basis->quartileRule, true);

        return new Steps(
            'IQR = Q₃ − Q₁',
            [...$lower->lines, ...$upper->lines, 'IQR = ' . Written::number($quartiles->q3) . ' − ' . Written::inside($quartiles->q1) . ' = ' . Written::number($quartiles->interquartileRange())],
            $lower->source,
            true,
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::exact($observations->quartiles($basis->quartileRule)->interquartileRange());
    }
}
