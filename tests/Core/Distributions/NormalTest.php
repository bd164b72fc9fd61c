<?php

declare(strict_types=1);

namespace Tests\Core\Distributions;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Distributions\Normal;

final class NormalTest extends TestCase
{
    /** @return iterable<string, array{float, float}> z and 1 − F(z): Abramowitz & Stegun (1964), tables 26.1 and 26.2, to their 15 and 10 digits */
    public static function tails(): iterable
    {
        yield '0.5' => [0.5, 0.308537538725987];
        yield '1' => [1.0, 0.158655253931457];
        yield '1.5' => [1.5, 0.066807201268858];
        yield '2' => [2.0, 0.022750131948179];
        yield '2.5' => [2.5, 0.006209665325776];
        yield '3' => [3.0, 0.001349898031630];
        yield '4' => [4.0, 3.167124183e-5];
        yield '5' => [5.0, 2.866515719e-7];
        yield '6' => [6.0, 9.865876450e-10];
        yield '10' => [10.0, 7.619853024e-24];
    }

    #[DataProvider('tails')]
    public function test_tails_are_those_of_the_published_tables(float $z, float $above): void
    {
        self::assertEqualsWithDelta($above, Normal::above($z), 1e-9 * $above + 5e-16);
        self::assertEqualsWithDelta($above, Normal::below(-$z), 1e-9 * $above + 5e-16);
        self::assertEqualsWithDelta(log($above), Normal::logTails($z)[1], 1e-9);
        self::assertEqualsWithDelta(1.0 - $above, Normal::below($z), 1e-14);
    }

    public function test_logarithms_of_both_tails_are_those_of_the_tails(): void
    {
        for ($z = -5.0; $z <= 5.0; $z += 0.07) {
            [$below, $above] = Normal::logTails($z);
            self::assertEqualsWithDelta(log(Normal::below($z)), $below, 3e-15 * max(1.0, abs($below)), (string) $z);
            self::assertEqualsWithDelta(log(Normal::above($z)), $above, 3e-15 * max(1.0, abs($above)), (string) $z);
        }
    }

    public function test_both_sides_add_up_to_one(): void
    {
        for ($z = -6.0; $z <= 6.0; $z += 0.03) {
            self::assertEqualsWithDelta(1.0, Normal::below($z) + Normal::above($z), 4e-16, (string) $z);
        }
    }

    public function test_quantiles_are_those_of_the_published_table_and_turn_probabilities_back(): void
    {
        // Abramowitz & Stegun, table 26.5.
        foreach ([[0.9, 1.28155156554460], [0.95, 1.64485362695147], [0.975, 1.95996398454005], [0.99, 2.32634787404084], [0.995, 2.57582930354890]] as [$p, $z]) {
            self::assertEqualsWithDelta($z, Normal::quantile($p), 1e-13);
        }
        for ($i = 1; $i < 400; ++$i) {
            self::assertEqualsWithDelta($i / 400, Normal::below(Normal::quantile($i / 400)), 1e-15);
        }
        self::assertEqualsWithDelta(1e-300, Normal::below(Normal::quantile(1e-300)), 1e-312);
    }

    public function test_logarithms_reach_beyond_the_smallest_double(): void
    {
        // ln φ(60)/60 · (1 − 1/60² + 3/60⁴), the asymptotic series.
        self::assertEqualsWithDelta(-1800.0 - log(60.0 * sqrt(2.0 * M_PI)) + log1p(-1 / 3600 + 3 / 3600 ** 2), Normal::logTails(60.0)[1], 1e-9);
        self::assertSame(-0.0, Normal::logTails(60.0)[0]);
        self::assertSame(array_reverse(Normal::logTails(60.0)), Normal::logTails(-60.0));
    }

    public function test_shares_within_one_two_and_three_deviations(): void
    {
        self::assertSame([0.6827, 0.9545, 0.9973], array_map(static fn(int $k): float => round(Normal::within((float) $k), 4), [1, 2, 3]));
    }
}
