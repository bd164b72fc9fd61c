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
 * The test of Shapiro and Wilk: how straight the normal Q–Q plot is.
 *
 * Definition  W = (Σ aᵢ x₍ᵢ₎)² / Σ(x − x̄)² with Royston's weights; a small p is unlike a normal.
 * Unit        none.
 * Undefined   fewer than 3 or more than 5,000 values; all equal; counts that are not whole.
 * When        for 3 to 5,000 values, beside the normal Q–Q plot.
 * Misleads    A large p does not show that values are normal. With few values it sees gross departures only, with many the slightest.
 * Source      Royston, Algorithm AS R94, Applied Statistics 44 (1995) 547–551.
 * Accuracy    1e-12 relative for W, 1e-9 for p against the same algorithm with 60 digits.
 * Cost        O(n), n ≤ 5,000.
 */
final class ShapiroWilk
{
    private const MOST = 5000;
    private const FIRST_WEIGHT = [0.0, 0.221157, -0.147981, -2.07119, 4.434685, -2.706056];
    private const SECOND_WEIGHT = [0.0, 0.042981, -0.293762, -1.752461, 5.682633, -3.582633];
    private const SMALL_MEAN = [0.544, -0.39978, 0.025054, -6.714e-4];
    private const SMALL_SPREAD = [1.3822, -0.77857, 0.062767, -0.0020322];
    private const LARGE_MEAN = [-1.5861, -0.31082, -0.083751, 0.0038915];
    private const LARGE_SPREAD = [-0.4803, -0.082676, 0.0030302];
    private const SMALL_BOUND = [-2.273, 0.459];

    public static function of(Observations $observations): Normality
    {
        $obstacle = Normality::obstacle($observations) ?? ($observations->n() > self::MOST ? Reason::NeedsAtMost5000Values : null);
        if ($obstacle !== null) {
            return Normality::undefined($obstacle);
        }
        $n = $observations->n();
        $ordered = [];
        foreach ($observations->deviations()->slices() as [$deviations, $counts]) {
            foreach ($deviations as $i => $deviation) {
                array_push($ordered, ...array_fill(0, $counts[$i], $deviation));
            }
        }
        $weights = self::weights($n);
        $sum = new CompensatedSum();
        foreach ($weights as $i => $weight) {
            $sum->add($weight * ($ordered[$n - 1 - $i] - $ordered[$i]));
        }
        $root = $observations->deviations()->spread(SampleOrPopulation::Population) * sqrt($n);
        // 1 − W as (root − Σ)(root + Σ) / root², which keeps its digits when W is near 1.
        $rest = max(0.0, ($root - $sum->value()) * ($root + $sum->value()) / ($root * $root));

        return new Normality(Figure::double(1.0 - $rest), Figure::double(self::p(1.0 - $rest, $rest, $n)));
    }

    /** @return list<float> of the upper half, outermost first */
    private static function weights(int $n): array
    {
        if ($n === 3) {
            return [M_SQRT1_2];
        }
        $half = intdiv($n, 2);
        $scores = [];
        $squares = new CompensatedSum();
        for ($i = 1; $i <= $half; ++$i) {
            $scores[] = -Normal::quantile(($i - 0.375) / ($n + 0.25));
            $squares->add(2.0 * $scores[$i - 1] ** 2);
        }
        $root = sqrt($squares->value());
        $perRoot = 1.0 / sqrt($n);
        $weights = [self::polynomial(self::FIRST_WEIGHT, $perRoot) + $scores[0] / $root];
        $rest = $squares->value() - 2.0 * $scores[0] ** 2;
        $share = 1.0 - 2.0 * $weights[0] ** 2;
        if ($n > 5) {
            $weights[] = self::polynomial(self::SECOND_WEIGHT, $perRoot) + $scores[1] / $root;
            $rest -= 2.0 * $scores[1] ** 2;
            $share -= 2.0 * $weights[1] ** 2;
        }
        $factor = sqrt($rest / $share);
        for ($i = count($weights); $i < $half; ++$i) {
            $weights[] = $scores[$i] / $factor;
        }

        return $weights;
    }

    private static function p(float $w, float $rest, int $n): float
    {
        if ($n === 3) {
            return max(0.0, 6.0 / M_PI * (asin(sqrt($w)) - M_PI / 3.0));
        }
        if ($rest <= 0.0) {
            return 1.0;
        }
        $y = log($rest);
        if ($n <= 11) {
            $bound = self::polynomial(self::SMALL_BOUND, $n);
            if ($y >= $bound) {
                return 0.0;
            }
            $y = -log($bound - $y);
            $mean = self::polynomial(self::SMALL_MEAN, $n);
            $spread = exp(self::polynomial(self::SMALL_SPREAD, $n));
        } else {
            $mean = self::polynomial(self::LARGE_MEAN, log($n));
            $spread = exp(self::polynomial(self::LARGE_SPREAD, log($n)));
        }

        return Normal::above(($y - $mean) / $spread);
    }

    /** @param list<float> $coefficients from the constant up */
    private static function polynomial(array $coefficients, float $x): float
    {
        $value = 0.0;
        foreach (array_reverse($coefficients) as $coefficient) {
            $value = $value * $x + $coefficient;
        }

        return $value;
    }
}
