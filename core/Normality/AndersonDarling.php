<?php

declare(strict_types=1);

namespace RowTally\Core\Normality;

use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Distributions\Normal;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\CompensatedSum;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;

/**
 * The test of Anderson and Darling with mean and standard deviation taken from the values; it looks hard at the tails.
 *
 * Definition  A² = −n − Σ (2i − 1)(ln F(zᵢ) + ln(1 − F(zₙ₊₁₋ᵢ))) / n, z = (x − x̄)/s with the sample standard deviation; p from
 *             A²·(1 + 0.75/n + 2.25/n²).
 * Unit        none.
 * Undefined   fewer than 3 values, all equal, counts that are not whole; p with fewer than 8 values; beyond the table p is only
 *             said to be below 10⁻²³.
 * When        where the tails matter, and above 5,000 values.
 * Misleads    With many values it sees departures that matter to nobody. A large p does not show that values are normal.
 * Source      Stephens, JASA 69 (1974) 730–737; D'Agostino & Stephens, Goodness-of-Fit Techniques (1986), table 4.9.
 * Accuracy    1e-10 relative for A² up to some 10,000 values, then 1e-16 of n; p as good as the formulas.
 * Cost        one tail and two logarithms for each distinct value.
 */
final class AndersonDarling
{
    public static function of(Observations $observations): Normality
    {
        $obstacle = Normality::obstacle($observations);
        if ($obstacle !== null) {
            return Normality::undefined($obstacle);
        }
        $n = $observations->n();
        $spread = $observations->deviations()->spread(SampleOrPopulation::Sample);
        $sum = new CompensatedSum();
        $sum->add(-(float) $n);
        $rank = 0;
        foreach ($observations->deviations()->slices() as [$deviations, $counts]) {
            foreach ($deviations as $i => $deviation) {
                [$logBelow, $logAbove] = Normal::logTails($deviation / $spread);
                $from = $rank;
                $rank += $counts[$i];
                // Σ(2i − 1) over the ranks of equal values, counted from below and from above.
                $sum->add(-(($rank / $n) * $rank - ($from / $n) * $from) * $logBelow);
                $sum->add(-((($n - $from) / $n) * ($n - $from) - (($n - $rank) / $n) * ($n - $rank)) * $logAbove);
            }
        }
        return self::ofStatistic($sum->value(), $n);
    }

    /** Of n values whose A² is known. */
    public static function ofStatistic(float $square, int $n): Normality
    {
        if ($n < 8) {
            return new Normality(Figure::double($square), Figure::undefined(Reason::NeedsEightValues));
        }

        return new Normality(Figure::double($square), self::p($square * (1.0 + 0.75 / $n + 2.25 / $n / $n)));
    }

    private static function p(float $a): Figure
    {
        return match (true) {
            $a < 0.2 => Figure::double(1.0 - exp(-13.436 + 101.14 * $a - 223.73 * $a * $a)),
            $a < 0.34 => Figure::double(1.0 - exp(-8.318 + 42.796 * $a - 59.938 * $a * $a)),
            $a < 0.6 => Figure::double(exp(0.9177 - 4.279 * $a - 1.38 * $a * $a)),
            $a <= 10.0 => Figure::double(exp(1.2937 - 5.709 * $a + 0.0186 * $a * $a)),
            default => Figure::undefined(Reason::BelowAllTables),
        };
    }
}
