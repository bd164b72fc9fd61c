<?php

declare(strict_types=1);

namespace Tests\Core\Values;

use Brick\Math\BigRational;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\BucketPlaces;
use RowTally\Core\Values\SiftedBuckets;
use RowTally\Core\Values\ValueCounts;

/** Values in buckets answer everything as the same values in one piece do. */
final class BucketedValuesTest extends TestCase
{
    use TestTrait;

    public function test_every_look_up_answers_as_the_plain_one(): void
    {
        $this->forAll(Generators::choose(1, 1 << 30), Generators::bool())->then(static function (int $seed, bool $areDoubles): void {
            [$plain, $bucketed] = self::both($seed, $areDoubles);
            $n = $plain->n();
            self::assertSame([$n, $plain->distinct()], [$bucketed->n(), $bucketed->distinct()]);
            for ($i = 0; $i < 40; ++$i) {
                [$from, $to] = [mt_rand(1, $n), mt_rand(1, $n)];
                $bound = BigRational::nd(mt_rand(-8000, 8000), 7);
                self::assertTrue($plain->at($from)->isEqualTo($bucketed->at($from)));
                self::assertSame([$plain->countBelow($bound), $plain->countUpTo($bound)], [$bucketed->countBelow($bound), $bucketed->countUpTo($bound)]);
                $value = $plain->at($to)->toBigRational();
                self::assertSame([$plain->countBelow($value), $plain->countUpTo($value)], [$bucketed->countBelow($value), $bucketed->countUpTo($value)]);
                self::assertEquals(self::told($plain->between($from, $to)), self::told($bucketed->between($from, $to)));
                self::assertTrue($plain->sumBetween($from, $to)->isEqualTo($bucketed->sumBetween($from, $to)));
                self::assertSame($plain->hasMoreDistinctThan($i), $bucketed->hasMoreDistinctThan($i));
            }
            self::assertEquals(self::told($plain->lowest(9)), self::told($bucketed->lowest(9)));
            self::assertEquals(self::told($plain->highest(9)), self::told($bucketed->highest(9)));
            self::assertSame($plain->toBytes(), $bucketed->counted()->toBytes());
        });
    }

    public function test_every_figure_is_the_same(): void
    {
        foreach ([false, true] as $areDoubles) {
            [$plain, $bucketed] = self::both(7, $areDoubles);
            foreach (Catalogue::all() as $statistic) {
                [$expected, $got] = [$statistic->of(new Observations($plain, 3), new Basis()), $statistic->of(new Observations($bucketed, 3), new Basis())];
                self::assertSame($expected->reason, $got->reason, $statistic->key());
                self::assertEqualsWithDelta($expected->value, $got->value, 1e-14, $statistic->key());
            }
        }
    }

    public function test_the_largest_values_of_buckets_say_where_a_value_belongs(): void
    {
        $values = new BucketedValues(SiftedBuckets::of([[1, 9, 3], [], [20, 2, 5]], BucketPlaces::ofIntegers(1, 20, 5), 0), 0, ValueCounts::ofUnorderedIntegers([1, 2, 3, 5, 9, 20], 0)->powerSums());

        self::assertSame([3, 1, 1, 1], $values->buckets->sizes());
        self::assertSame([0, 0, 0, 1, 2, 2, 3, 3], array_map($values->bucketOf(...), [-4, 3, 4, 5, 9, 10, 13, 999]));
    }

    /** Half a million, so that they are walked through in several steps; most of them in one bucket, or evenly. */
    #[TestWith([0.0])]
    #[TestWith([0.6])]
    public function test_very_many_come_in_order_some_thousand_at_a_time(float $shareInOne): void
    {
        mt_srand(5);
        $parts = array_chunk(array_map(static fn(int $i): int => $i < $shareInOne * 500_000 ? mt_rand(0, 99_999) : mt_rand(0, 99_999_999), range(1, 500_000)), 8192);
        $all = array_merge(...$parts);
        $plain = ValueCounts::ofUnorderedIntegers($all, 2);
        $sifted = SiftedBuckets::of($parts, BucketPlaces::ofIntegers(0, 99_999_999, 500), 2);

        $values = $counts = [];
        foreach ($sifted->ascending() as [$some, $often]) {
            self::assertLessThanOrEqual(16_384, count($some));
            self::assertSameSize($some, $often);
            $values[] = $some;
            $counts[] = $often;
        }
        /** @var list<int> $ascending */
        $ascending = array_merge(...$values);
        self::assertSame($plain->toBytes(), ValueCounts::ofIntegers($ascending, array_merge(...$counts), 2)->toBytes());
        sort($all);
        self::assertSame($all, $sifted->sorted());
    }

    public function test_slim_bytes_come_back_the_same(): void
    {
        foreach ([ValueCounts::ofUnorderedIntegers([4, 1, 9], 1), ValueCounts::ofUnorderedIntegers([4, 1, 4], 1), ValueCounts::ofUnorderedDoubles([1.5, 2.5])] as $values) {
            self::assertSame($values->toBytes(), ValueCounts::fromSlimBytes($values->toSlimBytes(), $values->decimals())->toBytes());
        }
    }

    public function test_places_that_leave_the_farthest_out_keep_the_order(): void
    {
        mt_srand(61);
        foreach ([false, true] as $areDoubles) {
            $values = array_map(static fn(): int => mt_rand(0, 19) === 0 ? mt_rand(-900_000, 900_000) : mt_rand(-50, 50), range(1, 2000));
            $values = $areDoubles ? array_map(static fn(int $value): float => $value / 7, $values) : $values;
            $places = $areDoubles ? BucketPlaces::ofDoubles(-40 / 7, 40 / 7, 30) : BucketPlaces::ofIntegers(-40, 40, 30, (int) max($values));
            $sifted = SiftedBuckets::of(array_chunk($values, 300), $places, $areDoubles ? null : 0);
            $plain = $areDoubles ? ValueCounts::ofUnorderedDoubles(array_map(floatval(...), $values)) : ValueCounts::ofUnorderedIntegers(array_map(intval(...), $values), 0);
            $held = new BucketedValues($sifted, $areDoubles ? null : 0, $plain->powerSums());

            self::assertGreaterThan(20, count($sifted->sizes()));
            self::assertLessThan(500, max($sifted->sizes()), 'none holds nearly all');
            self::assertSame(self::told($plain->between(1, 2000)), self::told($held->between(1, 2000)));
            foreach ([1, 2, 57, 1000, 1999, 2000] as $rank) {
                self::assertTrue($plain->at($rank)->isEqualTo($held->at($rank)));
                $bound = $plain->at($rank)->toBigRational();
                self::assertSame([$plain->countBelow($bound), $plain->countUpTo($bound)], [$held->countBelow($bound), $held->countUpTo($bound)]);
            }
        }
    }

    public function test_packed_as_they_come_they_are_those_counted_at_once(): void
    {
        foreach ([1, 2, 3] as $seed) {
            foreach ([false, true] as $areDoubles) {
                [$plain, $held] = self::both($seed, $areDoubles);
                self::assertSame($plain->toBytes(), ValueCounts::ofSlices($held->slices(), $held->decimals())->toBytes());
                self::assertSame([$plain->distinct(), $plain->distinct()], [$held->distinct(), $held->counted()->distinct()]);
            }
        }
        $once = ValueCounts::ofSlices([[[1, 5], [1, 1]], [[9], [1]]], 1);
        self::assertSame([3, 3, '0.9'], [$once->n(), $once->distinct(), (string) $once->at(3)]);
        self::assertSame([0, 0], [ValueCounts::ofSlices([], null)->n(), ValueCounts::ofSlices([], 2)->distinct()]);
    }

    public function test_a_rank_outside_is_refused(): void
    {
        $this->expectException(InvalidInput::class);
        self::both(1, false)[1]->at(0);
    }

    /** @return array{ValueCounts, BucketedValues} */
    private static function both(int $seed, bool $areDoubles): array
    {
        mt_srand($seed);
        $integers = array_map(static fn(): int => mt_rand(0, 3) === 0 ? mt_rand(-20, 20) * 50 : mt_rand(-1000, 1000), range(1, 300));
        $values = $areDoubles ? array_map(static fn(int $value): float => $value * 0.1, $integers) : $integers;
        if ($areDoubles) {
            /** @var list<float> $values */
            $plain = ValueCounts::ofUnorderedDoubles($values);
        } else {
            /** @var list<int> $values */
            $plain = ValueCounts::ofUnorderedIntegers($values, 1);
        }

        $places = $areDoubles ? BucketPlaces::ofDoubles(-100.0, 100.0, 21) : BucketPlaces::ofIntegers(-1000, 1000, 21);

        return [$plain, new BucketedValues(SiftedBuckets::of(array_chunk($values, 70), $places, $areDoubles ? null : 1), $areDoubles ? null : 1, $plain->powerSums())];
    }

    /**
     * @param list<array{value: \Brick\Math\BigDecimal, count: int}> $entries
     *
     * @return list<string>
     */
    private static function told(array $entries): array
    {
        return array_map(static fn(array $entry): string => "{$entry['value']}×{$entry['count']}", $entries);
    }
}
