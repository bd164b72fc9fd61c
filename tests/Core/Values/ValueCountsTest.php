<?php

declare(strict_types=1);

namespace Tests\Core\Values;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Values\CompensatedSum;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\PowerSums;
use RowTally\Core\Values\ScaledBound;
use RowTally\Core\Values\ValueCounts;

/** Small tallies looked up by hand, and what they are packed with. */
final class ValueCountsTest extends TestCase
{
    /** @return iterable<string, array{ValueCounts}> */
    public static function tallies(): iterable
    {
        yield 'whole numbers' => [ValueCounts::ofIntegers([-3, 0, 4, 90], [2, 1, 5, 2], 0)];
        yield 'decimals' => [ValueCounts::ofIntegers([-3, 0, 4, 90], [2, 1, 5, 2], 1)];
        yield 'doubles' => [ValueCounts::ofDoubles([-0.3, 0.0, 0.4, 9.0], [2, 1, 5, 2])];
    }

    #[DataProvider('tallies')]
    public function test_ranks_and_bounds_are_looked_up_as_in_the_list(ValueCounts $tally): void
    {
        $unit = $tally->decimals() === 0 ? 1 : 10;
        $at = static fn(int $rank): float => $tally->at($rank)->multipliedBy($unit)->toFloat();
        self::assertSame([10, 4], [$tally->n(), $tally->distinct()]);
        self::assertEqualsWithDelta([-3, -3, 0, 4, 4, 4, 4, 4, 90, 90], array_map($at, range(1, 10)), 1e-12);
        $bound = static fn(int $number): BigRational => BigRational::nd($number, $unit);
        self::assertSame([0, 2, 2, 3, 8, 10], array_map(static fn(int $number): int => $tally->countBelow($bound($number)), [-4, -2, 0, 4, 90, 91]));
        self::assertSame([0, 2, 3, 8, 10, 10], array_map(static fn(int $number): int => $tally->countUpTo($bound($number)), [-4, -2, 0, 4, 90, 91]));
        self::assertSame([5, 2], array_column($tally->between(4, 10), 'count'));
        self::assertSame([3, 1], array_column($tally->between(6, 9), 'count'), 'only as many as lie between the ranks');
        self::assertSame([-3.0, 0.0], array_map(static fn(array $entry): float => $entry['value']->multipliedBy($unit)->toFloat(), $tally->lowest(2)));
        self::assertSame([4.0, 90.0], array_map(static fn(array $entry): float => $entry['value']->multipliedBy($unit)->toFloat(), $tally->highest(2)));
        self::assertEqualsWithDelta(14.0, Exact::toFloat($tally->sumBetween(1, 8)->multipliedBy($unit)), 1e-12);
        self::assertTrue($tally->hasMoreDistinctThan(3));
        self::assertFalse($tally->hasMoreDistinctThan(4));
    }

    #[DataProvider('tallies')]
    public function test_what_is_packed_comes_back(ValueCounts $tally): void
    {
        $back = ValueCounts::fromBytes($tally->toBytes(), $tally->decimals());
        self::assertSame([$tally->n(), $tally->distinct(), $tally->decimals()], [$back->n(), $back->distinct(), $back->decimals()]);
        self::assertEquals($tally->between(1, 10), $back->between(1, 10));
        self::assertSame($tally->powerSums()->toTexts(), $back->powerSums()->toTexts());
        self::assertSame(10, $back->powerSums()->n);
        self::assertSame($tally->toBytes(), $back->toBytes());
    }

    public function test_values_that_occur_once_each_are_packed_with_their_counts_too(): void
    {
        $once = ValueCounts::ofUnorderedIntegers([7, 3, 5], 0);
        $back = ValueCounts::fromBytes($once->toBytes(), 0);
        self::assertSame([3, [3, 5, 7]], [$back->n(), array_map(static fn(int $rank): int => $back->at($rank)->toInt(), [1, 2, 3])]);
        $none = ValueCounts::fromBytes(ValueCounts::ofUnorderedIntegers([], 0)->toBytes(), 0);
        self::assertSame([0, 0], [$none->n(), $none->distinct()]);
    }

    public function test_what_a_sum_of_doubles_loses_is_added_at_the_end(): void
    {
        $sum = static function (float ...$terms): float {
            $sum = new CompensatedSum();
            array_map($sum->add(...), $terms);

            return $sum->value();
        };
        self::assertSame(2.0, $sum(1.0, 1e100, 1.0, -1e100));
        self::assertSame(3.0, $sum(1e16, 1.0, 1.0, 1.0, -1e16));
        self::assertSame(0.6, $sum(0.1, 0.2, 0.3));
    }

    public function test_sums_of_the_smallest_doubles_are_exact(): void
    {
        $least = 5e-324;
        $sums = PowerSums::ofDoubles([$least, $least, 2.2250738585072014e-308, -$least], null);
        self::assertTrue($sums->sum()->isEqualTo(BigRational::of(BigDecimal::of('2')->power(52)->plus(1))->dividedBy(BigDecimal::of('2')->power(1074))));
        self::assertSame(4, $sums->n);
        self::assertSame(9, PowerSums::ofDoubles([1.5, 2.5], [4, 5])->n);
        self::assertTrue(PowerSums::ofDoubles([1.5, 2.5], [4, 5])->sum()->isEqualTo('37/2'));
    }

    public function test_what_no_double_holds_is_compared_as_nothing_or_without_end(): void
    {
        $huge = BigRational::of(BigDecimal::of('1e400'));
        self::assertSame([INF, -INF, 0.0], [Exact::near($huge), Exact::near($huge->negated()), Exact::near($huge->reciprocal())]);
        self::assertSame([PHP_FLOAT_MAX, -PHP_FLOAT_MAX, 1.5], [Exact::clamped(BigDecimal::of('1e400')), Exact::clamped(BigDecimal::of('-1e400')), Exact::clamped(BigDecimal::of('1.5'))]);
    }

    /** @return iterable<string, array{string, int, bool, int}> */
    public static function bounds(): iterable
    {
        yield 'on the grid, from it on' => ['2.5', 1, false, 25];
        yield 'on the grid, above it' => ['2.5', 1, true, 26];
        yield 'finer than the grid' => ['2.55', 1, false, 26];
        yield 'finer than the grid, above' => ['2.55', 1, true, 26];
        yield 'a finer zero' => ['2.50', 1, false, 25];
        yield 'coarser than the grid' => ['2', 3, false, 2000];
        yield 'negative, finer' => ['-2.55', 1, false, -25];
        yield 'negative on the grid' => ['-2.5', 1, true, -24];
        yield 'whole' => ['7', 0, false, 7];
        yield 'of more digits than a machine has' => ['12345678901234567.8', 1, true, 123456789012345679];
    }

    #[DataProvider('bounds')]
    public function test_a_bound_is_brought_to_the_grid_of_the_values(string $bound, int $decimals, bool $isAbove, int $unscaled): void
    {
        self::assertSame($unscaled, ScaledBound::ofDecimal(BigDecimal::of($bound), $decimals, $isAbove));
    }
}
