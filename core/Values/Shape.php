<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use RowTally\Core\Basis\TakenAs;

/**
 * Skewness and excess kurtosis of the values themselves, from central moments.
 *
 * Definition  m_k = Σ f(x − x̄)^k / n;  g₁ = m₃ / m₂^1.5;  g₂ = m₄ / m₂² − 3.
 * Unit        none.
 * Undefined   where all values are equal (the caller asks only otherwise).
 * Source      Joanes & Gill, The Statistician 47 (1998) 183–189.
 * Accuracy    1e-13 relative to the mean of |x − x̄|³ and (x − x̄)⁴: m₂ is exact, deviations are exact before they are rounded,
 *             sums are compensated.
 * Cost        one pass over the distinct values.
 */
final readonly class Shape
{
    private function __construct(
        public float $skewness,
        public float $kurtosis,
    ) {}

    public static function of(Observations $observations): self
    {
        $spread = $observations->deviations()->spread(TakenAs::Population);
        $third = new CompensatedSum();
        $fourth = new CompensatedSum();
        foreach ($observations->deviations()->slices() as [$deviations, $counts]) {
            foreach ($deviations as $i => $deviation) {
                $t = $deviation / $spread;
                $cube = $counts[$i] * $t * $t * $t;
                $third->add($cube);
                $fourth->add($cube * $t);
            }
        }
        // Counts that are not whole were summed in their own unit, in which n is whole; the standard deviation is the same in both.
        $n = (float) $observations->n();

        return new self($third->value() / $n, $fourth->value() / $n - 3.0);
    }
}
