<?php

declare(strict_types=1);

namespace RowTally\Core\Distributions;

/**
 * The standard normal distribution.
 *
 * Source    Cody, Rational Chebyshev approximations for the error function, Math. Comp. 23 (1969) 631–637; Wichura, Algorithm AS 241,
 *           Applied Statistics 37 (1988) 477–484.
 * Accuracy  1e-15 relative for the lower and the upper tail down to the smallest double, and for the quantile.
 * Cost      O(1).
 */
final class Normal
{
    private const SQRT_2 = 1.4142135623730951;
    private const INVERSE_SQRT_PI = 0.5641895835477563;
    private const SMALL = [[3.16112374387056560e00, 1.13864154151050156e02, 3.77485237685302021e02, 3.20937758913846947e03, 1.85777706184603153e-1], [2.36012909523441209e01, 2.44024637934444173e02, 1.28261652607737228e03, 2.84423683343917062e03]];
    private const MIDDLE = [[5.64188496988670089e-1, 8.88314979438837594e00, 6.61191906371416295e01, 2.98635138197400131e02, 8.81952221241769090e02, 1.71204761263407058e03, 2.05107837782607147e03, 1.23033935479799725e03, 2.15311535474403846e-8], [1.57449261107098347e01, 1.17693950891312499e02, 5.37181101862009858e02, 1.62138957456669019e03, 3.29079923573345963e03, 4.36261909014324716e03, 3.43936767414372164e03, 1.23033935480374942e03]];
    private const LARGE = [[3.05326634961232344e-1, 3.60344899949804439e-1, 1.25781726111229246e-1, 1.60837851487422766e-2, 6.58749161529837803e-4, 1.63153871373020978e-2], [2.56852019228982242e00, 1.87295284992346725e00, 5.27905102951428412e-1, 6.05183413124413191e-2, 2.33520497626869185e-3]];
    /** AS 241: numerator and denominator, from the highest power down, for the middle, the tails and the far tails. */
    private const QUANTILE = [
        [[2.5090809287301226727e3, 3.3430575583588128105e4, 6.7265770927008700853e4, 4.5921953931549871457e4, 1.3731693765509461125e4, 1.9715909503065514427e3, 1.3314166789178437745e2, 3.3871328727963666080e0], [5.2264952788528545610e3, 2.8729085735721942674e4, 3.9307895800092710610e4, 2.1213794301586595867e4, 5.3941960214247511077e3, 6.8718700749205790830e2, 4.2313330701600911252e1, 1.0]],
        [[7.74545014278341407640e-4, 2.27238449892691845833e-2, 2.41780725177450611770e-1, 1.27045825245236838258e0, 3.64784832476320460504e0, 5.76949722146069140550e0, 4.63033784615654529590e0, 1.42343711074968357734e0], [1.05075007164441684324e-9, 5.47593808499534494600e-4, 1.51986665636164571966e-2, 1.48103976427480074590e-1, 6.89767334985100004550e-1, 1.67638483018380384940e0, 2.05319162663775882187e0, 1.0]],
        [[2.01033439929228813265e-7, 2.71155556874348757815e-5, 1.24266094738807843860e-3, 2.65321895265761230930e-2, 2.96560571828504891230e-1, 1.78482653991729133580e0, 5.46378491116411436990e0, 6.65790464350110377720e0], [2.04426310338993978564e-15, 1.42151175831644588870e-7, 1.84631831751005468180e-5, 7.86869131145613259100e-4, 1.48753612908506148525e-2, 1.36929880922735805310e-1, 5.99832206555887937690e-1, 1.0]],
    ];

    /** F(z), the probability of a value up to z. */
    public static function below(float $z): float
    {
        return self::above(-$z);
    }

    /** 1 − F(z), without cancellation. */
    public static function above(float $z): float
    {
        $x = $z / self::SQRT_2;

        return $x > 0.46875 ? 0.5 * self::scaledUpper($x) * exp(-$x * $x) : 0.5 - 0.5 * self::errorFunction($x);
    }

    /** @return array{float, float} ln F(z) and ln(1 − F(z)), also where one is below the smallest double; the nearer tail is reckoned once for both */
    public static function logTails(float $z): array
    {
        $x = abs($z) / self::SQRT_2;
        if ($x <= 0.46875) {
            $half = 0.5 * self::errorFunction($x);
            $tails = [log(0.5 + $half), log(0.5 - $half)];
        } else {
            $scaled = 0.5 * self::scaledUpper($x);
            $tails = [log1p(-$scaled * exp(-$x * $x)), -$x * $x + log($scaled)];
        }

        return $z < 0.0 ? [$tails[1], $tails[0]] : $tails;
    }

    /** z with F(z) = $p, for 0 < $p < 1. */
    public static function quantile(float $p): float
    {
        $q = $p - 0.5;
        if (abs($q) <= 0.425) {
            $r = 0.180625 - $q * $q;

            return $q * self::polynomial(self::QUANTILE[0][0], $r) / self::polynomial(self::QUANTILE[0][1], $r);
        }
        $r = sqrt(-log($q < 0.0 ? $p : 1.0 - $p));
        [$numerator, $denominator] = self::QUANTILE[$r <= 5.0 ? 1 : 2];
        $r -= $r <= 5.0 ? 1.6 : 5.0;
        $z = self::polynomial($numerator, $r) / self::polynomial($denominator, $r);

        return $q < 0.0 ? -$z : $z;
    }

    /** The share of a normal distribution within k standard deviations of its mean. */
    public static function within(float $k): float
    {
        return 1.0 - 2.0 * self::above($k);
    }

    private static function errorFunction(float $x): float
    {
        $size = abs($x);
        if ($size > 0.46875) {
            $value = 1.0 - self::scaledUpper($size) * exp(-$size * $size);

            return $x < 0.0 ? -$value : $value;
        }
        $square = $size * $size;
        [$a, $b] = self::SMALL;
        $top = $a[4] * $square;
        $bottom = $square;
        for ($i = 0; $i < 3; ++$i) {
            $top = ($top + $a[$i]) * $square;
            $bottom = ($bottom + $b[$i]) * $square;
        }

        return $x * ($top + $a[3]) / ($bottom + $b[3]);
    }

    /** exp(x²)·erfc(x) for x above 0.46875. */
    private static function scaledUpper(float $x): float
    {
        if ($x <= 4.0) {
            [$c, $d] = self::MIDDLE;
            $top = $c[8] * $x;
            $bottom = $x;
            for ($i = 0; $i < 7; ++$i) {
                $top = ($top + $c[$i]) * $x;
                $bottom = ($bottom + $d[$i]) * $x;
            }

            return ($top + $c[7]) / ($bottom + $d[7]);
        }
        $square = 1.0 / ($x * $x);
        [$p, $q] = self::LARGE;
        $top = $p[5] * $square;
        $bottom = $square;
        for ($i = 0; $i < 4; ++$i) {
            $top = ($top + $p[$i]) * $square;
            $bottom = ($bottom + $q[$i]) * $square;
        }

        return (self::INVERSE_SQRT_PI - $square * ($top + $p[4]) / ($bottom + $q[4])) / $x;
    }

    /** @param list<float> $coefficients from the highest power down */
    private static function polynomial(array $coefficients, float $x): float
    {
        $value = 0.0;
        foreach ($coefficients as $coefficient) {
            $value = $value * $x + $coefficient;
        }

        return $value;
    }
}
