<?php

declare(strict_types=1);

namespace RowTally\Core\Distributions;

/**
 * Γ(z + ½) / Γ(z), which distributions and their corrections for small n are made of.
 *
 * Source    Abramowitz & Stegun (1964) 6.1.47, its asymptotic series; below 40 carried down by Γ(z + 1) = z·Γ(z).
 * Accuracy  1e-14 relative for z of ½ or more.
 * Cost      at most 40 multiplications.
 */
final class GammaRatio
{
    private const SERIES_FROM = 40.0;

    public static function of(float $z): float
    {
        $factor = 1.0;
        while ($z < self::SERIES_FROM) {
            $factor *= $z / ($z + 0.5);
            $z += 1.0;
        }
        $r = 1.0 / $z;

        return $factor * sqrt($z) * (1.0 + $r * (-1 / 8 + $r * (1 / 128 + $r * (5 / 1024 + $r * (-21 / 32768 + $r * (-399 / 262144 + $r * 869 / 4194304))))));
    }
}
