<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Upper fence: values above it are called outliers, Q₃ + m · IQR with the multiplier m of the basis.
 *
 * Definition  under the quartile rule of the basis, see `Quartiles`.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * When        to find rows that are worth a look.
 * Misleads    A fence is a reason to look and none to leave out. Of values with a long tail many lie beyond it that are quite as they should be.
 * Source      Tukey, Exploratory Data Analysis (1977), chapter 2; see `QuartileRule`.
 * Accuracy    exact, then correctly rounded.
 * Cost        a few look-ups by rank.
 */
final readonly class UpperFence extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('upper_fence', 'Upper fence', '', '', ShownAs::Unit);
    }

    public function dependsOn(): array
    {
        return [Convention::QuartileRule, Convention::Fences];
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $quartiles = $observations->quartiles($basis->quartileRule);

        return new Steps(
            "Q₃ + {$basis->fence()}·IQR",
            [Written::number($quartiles->q3) . " + {$basis->fence()}·" . Written::number($quartiles->interquartileRange()) . ' = ' . Written::number($quartiles->upperFence($basis->innerFence))],
            'Tukey, Exploratory Data Analysis (1977), chapter 2',
            true,
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::exact($observations->quartiles($basis->quartileRule)->upperFence($basis->innerFence));
    }
}
