<?php

declare(strict_types=1);

namespace Tests\Core\Values;

use Brick\Math\BigRational;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Values\ValueCounts;

/** What comes back from the store's slim bytes answers as what went in. */
final class SlimValueCountsTest extends TestCase
{
    public function test_values_that_occur_once_each_need_no_running_counts(): void
    {
        $values = array_map(static fn(int $i): int => 7 * $i - 50, range(0, 40));
        $once = ValueCounts::ofIntegers($values, array_fill(0, 41, 1), 1);
        self::assertSame(8 * 42, strlen($once->toSlimBytes()));
        self::answersAs($once, ValueCounts::fromSlimBytes($once->toSlimBytes(), 1));
    }

    public function test_values_that_repeat_bring_their_running_counts(): void
    {
        $repeated = ValueCounts::ofIntegers([-3, 0, 5], [2, 1, 4], 0);
        self::assertSame(8 * 7, strlen($repeated->toSlimBytes()));
        self::answersAs($repeated, ValueCounts::fromSlimBytes($repeated->toSlimBytes(), 0));
    }

    public function test_doubles_come_back_as_they_were(): void
    {
        $doubles = ValueCounts::ofDoubles([-1.5e-300, 0.1, 2.5e300], [1, 1, 1]);
        self::answersAs($doubles, ValueCounts::fromSlimBytes($doubles->toSlimBytes(), null));
    }

    private static function answersAs(ValueCounts $expected, ValueCounts $back): void
    {
        $n = $expected->n();
        self::assertSame([$n, $expected->distinct()], [$back->n(), $back->distinct()]);
        foreach (range(1, $n) as $rank) {
            $value = $expected->at($rank);
            self::assertSame((string) $value, (string) $back->at($rank));
            self::assertSame($expected->countBelow(BigRational::of($value)), $back->countBelow(BigRational::of($value)));
            self::assertSame($expected->countUpTo(BigRational::of($value)), $back->countUpTo(BigRational::of($value)));
        }
        self::assertSame([...$expected->slices()], [...$back->slices()]);
        self::assertSame(array_map(static fn(array $entry): array => [(string) $entry['value'], $entry['count']], $expected->between(2, $n)), array_map(static fn(array $entry): array => [(string) $entry['value'], $entry['count']], $back->between(2, $n)));
        self::assertSame($expected->toBytes(), $back->toBytes());
    }
}
