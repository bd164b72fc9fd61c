<?php

declare(strict_types=1);

namespace RowTally\Core\Distributions;

/**
 * Student's t distribution; degrees of freedom need not be whole.
 *
 * Source    Student, Biometrika 6 (1908) 1–25; the continued fraction of the incomplete beta function, Abramowitz & Stegun (1964)
 *           26.5.8, by the method of Lentz; above 1,000 degrees of
 *           freedom the quantile by its expansion about that of the normal distribution, 26.7.5.
 * Accuracy  1e-12 relative for quantiles up to p = 0.9999 with ½ degree of freedom or more, and for tails up to 1,000 degrees.
 * Cost      some 50 terms a tail; the quantile takes some 5 tails.
 */
final class StudentT
{
    private const TERMS = 20_000;
    private const TINY = 1e-300;
    private const NEAR_NORMAL = 1000.0;

    /** The probability of a value of at least $t ≥ 0. */
    public static function above(float $t, float $degrees): float
    {
        $square = $t * $t;
        $a = 0.5 * $degrees;
        // x^a·(1 − x)^½ / B(a, ½) with x = ν/(ν + t²), whose logarithm never loses the digits of x near 1.
        $front = exp(-$a * log1p($square / $degrees)) * sqrt($square / ($degrees + $square)) * GammaRatio::of($a) / M_PI ** 0.5;
        $x = $degrees / ($degrees + $square);

        return $x < ($a + 1.0) / ($a + 2.5)
            ? 0.5 * $front * self::fraction($a, 0.5, $x) / $a
            : 0.5 - 0.5 * $front * self::fraction(0.5, $a, $square / ($degrees + $square)) / 0.5;
    }

    /** t with the probability $p below it, for ½ ≤ $p < 1. */
    public static function quantile(float $p, float $degrees): float
    {
        $upper = 1.0 - $p;
        if ($upper >= 0.5) {
            return 0.0;
        }
        if ($degrees > self::NEAR_NORMAL) {
            return self::nearNormal(Normal::quantile($p), $degrees);
        }
        [$low, $high] = [0.0, 1.0];
        while (self::above($high, $degrees) > $upper) {
            [$low, $high] = [$high, 2.0 * $high];
        }
        $t = 0.5 * ($low + $high);
        $factor = GammaRatio::of(0.5 * $degrees) / sqrt($degrees * M_PI);
        for ($i = 0; $i < 200; ++$i) {
            $excess = self::above($t, $degrees) - $upper;
            [$low, $high] = $excess > 0.0 ? [$t, $high] : [$low, $t];
            $density = $factor * exp(-0.5 * ($degrees + 1.0) * log1p($t * $t / $degrees));
            $next = $density > 0.0 ? $t + $excess / $density : INF;
            // Newton's step where it stays between the bounds, otherwise half of what is left.
            $next = $next > $low && $next < $high ? $next : 0.5 * ($low + $high);
            if (abs($next - $t) <= 4e-16 * $next) {
                return $next;
            }
            $t = $next;
        }

        return $t;
    }

    private static function nearNormal(float $z, float $degrees): float
    {
        $s = $z * $z;
        $r = 1.0 / $degrees;

        return $z * (1.0 + $r * (($s + 1.0) / 4.0
            + $r * ((($s * 5.0 + 16.0) * $s + 3.0) / 96.0
            + $r * (((($s * 3.0 + 19.0) * $s + 17.0) * $s - 15.0) / 384.0
            + $r * ((((($s * 79.0 + 776.0) * $s + 1482.0) * $s - 1920.0) * $s - 945.0) / 92160.0)))));
    }

    private static function fraction(float $a, float $b, float $x): float
    {
        $c = 1.0;
        $d = 1.0 - ($a + $b) * $x / ($a + 1.0);
        $d = 1.0 / (abs($d) < self::TINY ? self::TINY : $d);
        $value = $d;
        for ($m = 1; $m < self::TERMS; ++$m) {
            $even = $m * ($b - $m) * $x / (($a + 2 * $m - 1.0) * ($a + 2 * $m));
            $odd = -($a + $m) * ($a + $b + $m) * $x / (($a + 2 * $m) * ($a + 2 * $m + 1.0));
            foreach ([$even, $odd] as $term) {
                $d = 1.0 + $term * $d;
                $c = 1.0 + $term / $c;
                $d = 1.0 / (abs($d) < self::TINY ? self::TINY : $d);
                $c = abs($c) < self::TINY ? self::TINY : $c;
                $value *= $d * $c;
            }
            if (abs($d * $c - 1.0) < 1e-16) {
                break;
            }
        }

        return $value;
    }
}
