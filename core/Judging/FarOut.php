<?php

declare(strict_types=1);

namespace RowTally\Core\Judging;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Distributions\Normal;
use RowTally\Core\Figures\ShareWithinDeviations;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;

/**
 * How many values lie two and three standard deviations out or farther, and how many of a normal distribution would.
 *
 * Definition  |z| ≥ k with z = (x − mean)/SD, the SD of the basis.
 * Unit        none.
 * Undefined   where there is no SD, or it is 0.
 * Source      by definition; the shares of the normal distribution.
 * Accuracy    counted exactly.
 * Cost        four binary searches.
 */
final readonly class FarOut
{
    private function __construct(
        public float $mean,
        public float $sd,
        /** In the unit of the counts, of two SD and of three. */
        public int $over2,
        public int $over3,
        public float $expected2,
        public float $expected3,
    ) {}

    public static function of(Observations $observations, Basis $basis): ?self
    {
        $variance = $observations->n() === 0 ? null : $observations->variance($basis->takenAs);
        $sd = $variance === null || $variance->getSign() === 0 ? null : Exact::squareRoot($variance);
        if ($sd === null) {
            return null;
        }
        $over = static function (int $k) use ($observations, $basis): int {
            $bounds = (new ShareWithinDeviations($k))->bounds($observations, $basis);

            return $bounds === null ? 0 : $observations->values->countHeld($bounds['low'], true) + $observations->n() - $observations->values->countHeld($bounds['high'], false);
        };
        $size = Exact::near($observations->size());

        return new self(Exact::near($observations->mean()), $sd, $over(2), $over(3), $size * (1.0 - Normal::within(2.0)), $size * (1.0 - Normal::within(3.0)));
    }

    public function z(float $value): float
    {
        return ($value - $this->mean) / $this->sd;
    }

    /** @return array{float, float} what lies on or beyond these is two SD out */
    public function limits(): array
    {
        return [$this->mean - 2.0 * $this->sd, $this->mean + 2.0 * $this->sd];
    }
}
