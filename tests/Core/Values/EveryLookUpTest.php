<?php

declare(strict_types=1);

namespace Tests\Core\Values;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Observations\Deviations;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\BucketPlaces;
use RowTally\Core\Values\BucketsLess;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\PowerSums;
use RowTally\Core\Values\Resolution;
use RowTally\Core\Values\ScaledBound;
use RowTally\Core\Values\SiftedBuckets;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\ListedBuckets;

/** Every rank and every bound of a few values, each beside the same asked of a plain list. */
final class EveryLookUpTest extends TestCase
{
    private const INTEGERS = [[-7, -7, -3], [-2, -2, -2, 0], [4], [5, 5, 11], [20]];

    /** @return iterable<string, array{list<list<int>>|list<list<float>>, int|null, bool}> values by bucket, decimals, whether they stay in buckets */
    public static function ways(): iterable
    {
        foreach ([false, true] as $inBuckets) {
            $where = $inBuckets ? 'in buckets' : 'in one piece';
            yield "whole numbers {$where}" => [self::INTEGERS, 0, $inBuckets];
            yield "tenths {$where}" => [self::INTEGERS, 1, $inBuckets];
            yield "all different {$where}" => [[[1, 2], [3], [5, 8, 13]], 0, $inBuckets];
            yield "doubles {$where}" => [array_map(static fn(array $bucket): array => array_map(static fn(int $value): float => $value / 8, $bucket), self::INTEGERS), null, $inBuckets];
        }
    }

    /** @param list<list<int>>|list<list<float>> $buckets */
    #[DataProvider('ways')]
    public function test_a_list_says_the_same(array $buckets, ?int $decimals, bool $inBuckets): void
    {
        $plain = array_merge(...$buckets);
        $exact = array_map(static fn(int|float $value): BigDecimal => $decimals === null ? BigDecimal::of((string) $value) : BigDecimal::ofUnscaledValue((int) $value, $decimals), $plain);
        $values = self::values($buckets, $decimals, $inBuckets);
        $n = count($plain);
        self::assertSame([$n, $decimals], [$values->n(), $values->decimals()]);

        $distinct = count(array_unique(array_map(strval(...), $exact)));
        self::assertSame($distinct, $values->distinct());
        self::assertSame([true, false], [$values->hasMoreDistinctThan($distinct - 1), $values->hasMoreDistinctThan($distinct)]);

        for ($from = 1; $from <= $n; ++$from) {
            self::assertTrue($values->at($from)->isEqualTo($exact[$from - 1]), "rank {$from}");
            for ($to = $from - 1; $to <= $n; ++$to) {
                $slice = array_slice($exact, $from - 1, $to - $from + 1);
                self::assertSame(self::counted($slice), self::told($values->between($from, $to)), "{$from} to {$to}");
                self::assertTrue(array_reduce($slice, static fn(BigRational $sum, BigDecimal $value): BigRational => $sum->plus($value), BigRational::zero())->isEqualTo($values->sumBetween($from, $to)), "sum {$from} to {$to}");
            }
        }
        foreach ([$exact[0]->minus(1), ...$exact, ...array_map(static fn(BigDecimal $value): BigDecimal => $value->plus('0.0625'), $exact), ...array_map(static fn(BigDecimal $value): BigDecimal => $value->minus('0.0625'), $exact)] as $bound) {
            $below = count(array_filter($exact, static fn(BigDecimal $value): bool => $value->isLessThan($bound)));
            $upTo = count(array_filter($exact, static fn(BigDecimal $value): bool => $value->isLessThanOrEqualTo($bound)));
            $ratio = $bound->toBigRational();
            self::assertSame([$below, $upTo, $below, $upTo], [$values->countBelow($ratio), $values->countUpTo($ratio), $values->countHeld($ratio, false), $values->countHeld($ratio, true)], (string) $bound);
        }
        foreach ($decimals === null ? [] : range(-9, 22) as $bound) {
            self::assertSame(count(array_filter($plain, static fn(int|float $value): bool => $value < $bound)), $values->countBelowUnscaled($bound), "{$bound}");
        }
        $ascending = self::counted($exact);
        foreach (range(0, $distinct + 1) as $most) {
            self::assertSame(array_slice($ascending, 0, $most), self::told($values->lowest($most)), "lowest {$most}");
            self::assertSame($most === 0 ? [] : array_slice($ascending, -$most), self::told($values->highest($most)), "highest {$most}");
        }
        self::assertSame([$plain, $plain], [self::listed($values->slices()), self::listed($values->unorderedSlices())]);
    }

    /** @param list<list<int>>|list<list<float>> $buckets */
    #[DataProvider('ways')]
    public function test_a_rank_outside_is_none(array $buckets, ?int $decimals, bool $inBuckets): void
    {
        $values = self::values($buckets, $decimals, $inBuckets);
        foreach ([0, -1, $values->n() + 1] as $rank) {
            try {
                $values->at($rank);
                self::fail("rank {$rank} was answered");
            } catch (InvalidInput) {
                $this->addToAssertionCount(1);
            }
        }
    }

    public function test_what_is_foreseen_is_read_at_once_and_no_more_of_it(): void
    {
        $buckets = new ListedBuckets(self::INTEGERS);
        $values = new BucketedValues($buckets, 0, PowerSums::ofIntegers(array_merge(...self::INTEGERS), null, 0));
        // Largest -3, 0, 4, 11, 20: -3 is in the first, 4.5 in the fourth, 21 in none; twice the same is once.
        $values->prefetch([-3, BigRational::of('9/2'), 5, 21, BigRational::of(21)]);
        // Ranks 1, 3, 6, 9 and 12 of 12.
        $values->prefetchQuantiles(4);
        $values->between(3, 8);
        self::assertSame([[0, 3], [0, 1, 3, 4], [0, 1, 2]], $buckets->foreseen);
        self::assertSame(array_merge(...self::INTEGERS), self::listed($values->slices()));
        // Without the only 4: all that is left is foreseen before the first is asked for.
        self::assertSame(array_values(array_diff(array_merge(...self::INTEGERS), [4])), self::listed((new BucketsLess($buckets, [2 => [4 => 1]]))->ascending()));
        self::assertCount(4, $buckets->foreseen);
        self::assertSame([0, 1, 1, 2, 3, 4, 4], array_map($values->bucketOf(...), [-3, -2, 0, 1, 5, 12, 99]));

        // Rank 1 is in a bucket that no quarter of the ranks is in.
        $alone = new ListedBuckets([[1], [2, 3], [4, 5], [6, 7, 8]]);
        (new BucketedValues($alone, 0, PowerSums::ofIntegers(range(1, 8), null, 0)))->prefetchQuantiles(4);
        self::assertSame([[0, 1, 2, 3]], $alone->foreseen);

        $none = new BucketedValues(new ListedBuckets([]), 0, PowerSums::ofIntegers([], null, 0));
        $none->prefetchQuantiles(4);
        self::assertSame([0, 0, 0, [], []], [$none->n(), $none->countUpTo(BigRational::zero()), $none->countBelowUnscaled(3), $none->lowest(2), $none->highest(2)]);
    }

    /** As buckets hand them over: without counts, far from zero, and hardly apart. */
    public function test_moments_of_values_in_buckets_are_those_in_one_piece(): void
    {
        foreach ([0.0, 1e12, -1e15] as $from) {
            $doubles = array_map(static fn(array $bucket): array => array_map(static fn(int $value): float => $from + $value / 8, $bucket), self::INTEGERS);
            foreach ([[$doubles, null], [self::INTEGERS, 0], [self::INTEGERS, 3]] as [$buckets, $decimals]) {
                $moments = static fn(bool $inBuckets): array => Deviations::of(new Observations(self::values($buckets, $decimals, $inBuckets), 0))->higherMoments();
                self::assertEqualsWithDelta($moments(false), $moments(true), 1e-12);
                // Of -7, -7, -3, -2, -2, -2, 0, 4, 5, 5, 11, 20, whatever their unit and however far from zero: in whole ratios.
                self::assertEqualsWithDelta([1.0433705, 3.5092782], $moments(true), 1e-6);
            }
        }
    }

    public function test_two_hundred_steps_are_fine_and_one_fewer_are_not(): void
    {
        $steps = static fn(int ...$values): ?int => Resolution::of(ValueCounts::ofUnorderedIntegers(array_values($values), 0))?->steps;

        self::assertSame([199, null, null], [$steps(...range(0, 199)), $steps(...range(0, 200)), $steps(0, 200)]);
        self::assertSame([199, 3, 1], [$steps(0, 199), $steps(0, 3), $steps(0, 10, 20, 30, 10, 20) === 3 ? 1 : 0]);
        $tens = Resolution::of(ValueCounts::ofUnorderedIntegers([10, 20, 40, 70], 0));
        self::assertNotNull($tens);
        self::assertSame(['10', '10', 6], [(string) $tens->step, (string) $tens->lowest, $tens->steps]);
        $reaches = array_map(static fn(string $value): bool => $tens->reaches(BigDecimal::of($value)), ['0', '10', '15', '70', '80']);
        self::assertSame([false, true, false, true, false], $reaches);
        self::assertSame([3, 0, -1], array_map(static fn(string $to): int => $tens->between(BigDecimal::of('15'), BigDecimal::of($to)), ['45', '20', '10']));
        self::assertSame('20', (string) $tens->atLeast(BigDecimal::of('10.5')));
    }

    /** Whole numbers from far below to far above where machine integers end, with counts across the flush of their sums. */
    public function test_sums_are_those_of_big_integers_at_every_size(): void
    {
        mt_srand(8);
        for ($try = 0; $try < 150; ++$try) {
            $size = 10 ** mt_rand(0, 18) - 1;
            $values = array_map(static fn(): int => mt_rand(-$size, $size), range(1, mt_rand(1, 6)));
            $counts = array_map(static fn(): int => mt_rand(0, 3) === 0 ? (1 << 19) + mt_rand(-1, 1) : mt_rand(1, 9), $values);
            $sum = $squares = BigInteger::zero();
            foreach ($values as $i => $value) {
                $sum = $sum->plus(BigInteger::of($value)->multipliedBy($counts[$i]));
                $squares = $squares->plus(BigInteger::of($value)->power(2)->multipliedBy($counts[$i]));
            }
            $sums = PowerSums::ofIntegers($values, $counts, 2);
            self::assertSame([array_sum($counts), (string) $sum, (string) $squares], [$sums->n, ...array_values($sums->toTexts())]);
            $n = array_sum($counts);
            self::assertTrue($sums->squaredDeviations()->isEqualTo(BigRational::nd($squares->multipliedBy($n)->minus($sum->power(2)), BigInteger::of($n)->multipliedBy(10_000))));
            self::assertSame(['sum' => '0', 'squares' => '0'], $sums->minus($sums)->toTexts());
            self::assertSame([0, $sums->toTexts()], [$sums->minus($sums)->n, PowerSums::fromTexts($n, (string) $sum, (string) $squares, 2)->toTexts()]);
        }
        self::assertTrue(PowerSums::ofIntegers([], null, 0)->squaredDeviations()->isZero());
        self::assertTrue(PowerSums::ofDoubles([5e-324, -0.5, 2.0 ** 1000], [3, 2, 1])->sum()->isEqualTo(BigRational::nd(3, BigInteger::of(2)->power(1074))->minus(1)->plus(BigInteger::of(2)->power(1000))));
        self::assertTrue(PowerSums::ofDoubles([0.75, -1.5], [1, 2])->sumOfSquares()->isEqualTo(BigRational::of('81/16')));
    }

    public function test_a_bound_at_the_end_of_machine_integers(): void
    {
        foreach (['99999999999999999', '999999999999999999', '9223372036854775806', '9223372036854775807', '-9223372036854775808'] as $text) {
            foreach ([0, 1, 3] as $decimals) {
                $bound = BigDecimal::of($text)->withPointMovedLeft($decimals);
                foreach ([false, true] as $isAbove) {
                    self::assertSame($isAbove ? ScaledBound::above($bound->toBigRational(), $decimals) : ScaledBound::atLeast($bound->toBigRational(), $decimals), ScaledBound::ofDecimal($bound, $decimals, $isAbove), "{$text} {$decimals}");
                }
            }
        }
        // Eighteen places more or fewer, and one beyond.
        foreach ([['1', 17, 10 ** 17], ['1', 18, 10 ** 18], ['1', 19, PHP_INT_MAX - 1], ['1e-18', 0, 1], ['-1e-18', 0, 0], ['-1e-19', 0, 0], ['-1', 18, -(10 ** 18)]] as [$text, $decimals, $least]) {
            self::assertSame($least, ScaledBound::ofDecimal(BigDecimal::of($text), $decimals, false), "{$text} {$decimals}");
        }
    }

    public function test_roots_of_ratios(): void
    {
        $exact = static fn(string $ratio): string => (string) Exact::squareRootRatio(BigRational::of($ratio))->simplified();
        self::assertSame(['0', '3/2', '10', '1/7'], [$exact('0'), $exact('9/4'), $exact('100'), $exact('2/98')]);
        $two = Exact::squareRootRatio(BigRational::of(2));
        self::assertTrue($two->multipliedBy($two)->minus(2)->abs()->isLessThan('1e-58'));
        self::assertFalse($two->multipliedBy($two)->isEqualTo(2));
        mt_srand(4);
        for ($try = 0; $try < 200; ++$try) {
            // The root of a square of 17 digits is the number itself; a little less of it rounds to the same or the one before.
            $root = BigRational::nd(mt_rand(1, 10 ** 8), mt_rand(1, 10 ** 8));
            self::assertSame(Exact::toFloat($root), Exact::squareRoot($root->multipliedBy($root)));
            $value = mt_rand(1, PHP_INT_MAX) / mt_rand(1, PHP_INT_MAX);
            self::assertSame(sqrt($value), Exact::squareRoot(PowerSums::ofDoubles([$value], null)->sum()), (string) $value);
        }
        self::assertSame([0.5, INF, -INF, 0.0], [Exact::near(BigRational::of('1/2')), Exact::near(BigRational::of('1e400')), Exact::near(BigRational::of('-1e400')), Exact::near(BigRational::of('1e-400'))]);
        self::assertSame([PHP_FLOAT_MAX, -PHP_FLOAT_MAX, 1.5], array_map(Exact::clamped(...), [BigDecimal::of('1e400'), BigDecimal::of('-1e400'), BigDecimal::of('1.5')]));
        self::assertSame(['2', '2.5', '-0.0', '1.0e+25'], [Exact::plainText(2.0), Exact::plainText(2.5), Exact::shortestText(-0.0), Exact::plainText(1e25)]);
    }

    /** @param list<list<int>>|list<list<float>> $buckets */
    private static function values(array $buckets, ?int $decimals, bool $inBuckets): OrderedValues
    {
        $plain = array_merge(...$buckets);
        if ($decimals === null) {
            /** @var list<float> $plain */
            $whole = ValueCounts::ofUnorderedDoubles($plain);
        } else {
            /** @var list<int> $plain */
            $whole = ValueCounts::ofUnorderedIntegers($plain, $decimals);
        }

        $places = $decimals === null ? BucketPlaces::ofDoubles((float) min($plain), (float) max($plain), 5) : BucketPlaces::ofIntegers((int) min($plain), (int) max($plain), 5);

        return $inBuckets ? new BucketedValues(SiftedBuckets::of($buckets, $places, $decimals), $decimals, $whole->powerSums()) : $whole;
    }

    /**
     * @param list<BigDecimal> $ascending
     *
     * @return list<string>
     */
    private static function counted(array $ascending): array
    {
        $counted = array_count_values(array_map(Exact::plainDecimal(...), $ascending));

        return array_map(static fn(int|string $value, int $count): string => "{$value}×{$count}", array_keys($counted), array_values($counted));
    }

    /**
     * @param list<array{value: BigDecimal, count: int}> $entries
     *
     * @return list<string>
     */
    private static function told(array $entries): array
    {
        return array_map(static fn(array $entry): string => Exact::plainDecimal($entry['value']) . "×{$entry['count']}", $entries);
    }

    /**
     * @param iterable<array{list<int>|list<float>, list<int>|null}> $slices
     *
     * @return list<int|float>
     */
    private static function listed(iterable $slices): array
    {
        $listed = [];
        foreach ($slices as [$values, $counts]) {
            foreach ($values as $i => $value) {
                array_push($listed, ...array_fill(0, $counts === null ? 1 : $counts[$i], $value));
            }
        }

        return $listed;
    }
}
