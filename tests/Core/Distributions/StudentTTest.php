<?php

declare(strict_types=1);

namespace Tests\Core\Distributions;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Distributions\Normal;
use RowTally\Core\Distributions\StudentT;

final class StudentTTest extends TestCase
{
    /** @return iterable<string, array{float, float, float}> quantiles that have a closed form: one, two and four degrees of freedom */
    public static function closedForms(): iterable
    {
        foreach ([0.6, 0.75, 0.9, 0.95, 0.975, 0.995, 0.9995] as $p) {
            yield "1 degree, {$p}" => [$p, 1.0, tan(M_PI * ($p - 0.5))];
            $a = 4.0 * $p * (1.0 - $p);
            yield "2 degrees, {$p}" => [$p, 2.0, 2.0 * ($p - 0.5) * sqrt(2.0 / $a)];
            $q = cos(acos(sqrt($a)) / 3.0) / sqrt($a);
            yield "4 degrees, {$p}" => [$p, 4.0, 2.0 * sqrt($q - 1.0)];
        }
    }

    #[DataProvider('closedForms')]
    public function test_quantiles_with_a_closed_form(float $p, float $degrees, float $t): void
    {
        self::assertEqualsWithDelta($t, StudentT::quantile($p, $degrees), 1e-12 * $t);
    }

    /** @return iterable<string, array{float, float, float}> published to three decimals: Abramowitz & Stegun (1964), table 26.10 */
    public static function published(): iterable
    {
        foreach ([[3, 3.182, 5.841], [5, 2.571, 4.032], [10, 2.228, 3.169], [20, 2.086, 2.845], [30, 2.042, 2.750], [60, 2.000, 2.660], [120, 1.980, 2.617]] as [$degrees, $at975, $at995]) {
            yield "{$degrees} degrees, 97.5 %" => [0.975, (float) $degrees, $at975];
            yield "{$degrees} degrees, 99.5 %" => [0.995, (float) $degrees, $at995];
        }
    }

    #[DataProvider('published')]
    public function test_quantiles_are_those_of_the_published_table(float $p, float $degrees, float $t): void
    {
        self::assertSame($t, round(StudentT::quantile($p, $degrees), 3));
    }

    public function test_tails_turn_quantiles_back_for_any_degrees_of_freedom(): void
    {
        foreach ([0.5, 1.0, 2.7, 9.0, 39.0, 79.5, 80.5, 1e3] as $degrees) {
            foreach ([0.55, 0.8, 0.975, 0.9995] as $p) {
                self::assertEqualsWithDelta(1.0 - $p, StudentT::above(StudentT::quantile($p, $degrees), $degrees), 1e-12 * (1.0 - $p) + 1e-16, "{$degrees} {$p}");
            }
        }
    }

    public function test_the_expansion_takes_over_where_the_tails_leave_off(): void
    {
        foreach ([0.75, 0.95, 0.975, 0.9995] as $p) {
            $before = StudentT::quantile($p, 1000.0);
            // dt/dν is about −(z³ + z)/(4ν²); what is left out is below 6e-11.
            $z = Normal::quantile($p);
            self::assertEqualsWithDelta($before - ($z ** 3 + $z) / 4e6 * 1e-3, StudentT::quantile($p, 1000.001), 6e-11, (string) $p);
        }
    }

    public function test_many_degrees_of_freedom_come_near_the_normal_distribution(): void
    {
        // t = z + (z³ + z)/(4ν) + …, so the difference is known to the order of 1/ν².
        $z = Normal::quantile(0.975);
        foreach ([1e5, 1e7, 1e9] as $degrees) {
            self::assertEqualsWithDelta($z + ($z ** 3 + $z) / (4.0 * $degrees), StudentT::quantile(0.975, $degrees), 10.0 / $degrees ** 2 + 1e-13);
        }
        self::assertSame(0.0, StudentT::quantile(0.5, 7.0));
    }
}
