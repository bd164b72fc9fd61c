<?php

declare(strict_types=1);

namespace RowTally\Core\Observations;

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
final readonly class HigherMoments
{
    public function __construct(
        public float $skewness,
        public float $kurtosis,
    ) {}

    public static function of(Observations $observations): self
    {
        [$third, $fourth] = $observations->deviations()->higherMoments();

        return new self($third, $fourth - 3.0);
    }
}
