<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Observations\Outliers;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Outliers: how many values lie strictly beyond the fences.
 *
 * Definition  below Q₁ − m·IQR or above Q₃ + m·IQR.
 * Unit        rows, or the unit of the counts.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * When        to see whether far values are a few rows or the shape of all.
 * Misleads    About seven of a thousand normal values lie beyond the fences at 1.5: some are no surprise where rows are many.
 * Source      see `Outliers`.
 * Accuracy    decided exactly.
 * Cost        two binary searches.
 */
final readonly class OutlierCount extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('outliers_count', 'Outliers', '', '', ShownAs::Rows);
    }

    public function dependsOn(): array
    {
        return [Convention::QuartileRule, Convention::Fences];
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $quartiles = $observations->quartiles($basis->quartileRule);
        $low = $observations->values->countBelow($quartiles->lowerFence($basis->innerFence));
        $total = Outliers::of($observations, $basis)->total;
        $written = static fn(int $count): string => Written::count($count, $observations->countDecimals);

        return new Steps(
            "values below Q₁ − {$basis->fence()}·IQR or above Q₃ + {$basis->fence()}·IQR",
            [
                $written($low) . ' below ' . Written::number($quartiles->lowerFence($basis->innerFence)) . ', ' . $written($total - $low) . ' above ' . Written::number($quartiles->upperFence($basis->innerFence)) . ': ' . $written($total),
            ],
            'Tukey, Exploratory Data Analysis (1977), chapter 2',
            true,
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::rows(Outliers::of($observations, $basis)->total, $observations->countDecimals);
    }
}
