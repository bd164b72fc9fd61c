<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

/**
 * A sum of doubles that keeps what rounding loses.
 *
 * Source    Neumaier, Z. Angew. Math. Mech. 54 (1974) 39–51.
 * Accuracy  about one rounding of the result, whatever the order, for sums without extreme cancellation.
 */
final class CompensatedSum
{
    private float $sum = 0.0;
    private float $lost = 0.0;

    public function add(float $term): void
    {
        $next = $this->sum + $term;
        $this->lost += abs($this->sum) >= abs($term) ? ($this->sum - $next) + $term : ($term - $next) + $this->sum;
        $this->sum = $next;
    }

    public function value(): float
    {
        return $this->sum + $this->lost;
    }
}
