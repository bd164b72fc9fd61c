<?php

declare(strict_types=1);

namespace RowTally\Core\Normality;

use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Distributions\Normal;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;

/**
 * The test of Kolmogorov and Smirnov with mean and standard deviation taken from the values: the largest gap between the shares
 * found and those of the normal distribution.
 *
 * Definition  D = max of i/n − F(zᵢ) and F(zᵢ) − (i − 1)/n, z = (x − x̄)/s with the sample standard deviation.
 * Unit        none.
 * Undefined   fewer than 3 values, all equal, counts that are not whole; p with fewer than 5 values; above 0.1 the formula for p
 *             does not hold, and that is all that is said.
 * When        where the largest gap of the shares matters; with several hundred values.
 * Misleads    It looks at the middle and hardly at the tails. A large p does not show that values are normal.
 * Source      Lilliefors, JASA 62 (1967) 399–402; Dallal & Wilkinson, The American Statistician 40 (1986) 294–296.
 * Accuracy    1e-13 for D; p as good as the formula.
 * Cost        one F for each distinct value.
 */
final class Lilliefors
{
    private const HOLDS_UP_TO = 0.1;

    public static function of(Observations $observations): Normality
    {
        $obstacle = Normality::obstacle($observations);
        if ($obstacle !== null) {
            return Normality::undefined($obstacle);
        }
        $n = $observations->n();
        $spread = $observations->deviations()->spread(SampleOrPopulation::Sample);
        $d = 0.0;
        $rank = 0;
        foreach ($observations->deviations()->slices() as [$deviations, $counts]) {
            foreach ($deviations as $i => $deviation) {
                $below = Normal::below($deviation / $spread);
                $d = max($d, $below - $rank / $n);
                $rank += $counts[$i];
                $d = max($d, $rank / $n - $below);
            }
        }
        if ($n < 5) {
            return new Normality(Figure::double($d), Figure::undefined(Reason::NeedsFiveValues));
        }
        $p = self::p($d, $n);

        return new Normality(Figure::double($d), $p > self::HOLDS_UP_TO ? Figure::undefined(Reason::AboveOneTenth) : Figure::double($p));
    }

    private static function p(float $d, int $n): float
    {
        if ($n > 100) {
            $d *= ($n / 100.0) ** 0.49;
            $n = 100;
        }

        return exp(-7.01256 * $d * $d * ($n + 2.78019) + 2.99587 * $d * sqrt($n + 2.78019) - 0.122119 + 0.974598 / sqrt($n) + 1.67997 / $n);
    }
}
