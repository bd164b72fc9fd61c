<?php

declare(strict_types=1);

namespace Tests\Core\Values;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Values\ValueCounts;

/** Counts that a change was carried over to are those of the changed values. */
final class ChangedValueCountsTest extends TestCase
{
    use TestTrait;

    public function test_removing_and_adding_gives_the_counts_of_what_is_left(): void
    {
        $this->limitTo(200)->forAll(Generators::choose(1, 1_000_000))->then(static function (int $seed): void {
            mt_srand($seed);
            $draw = static fn(int $most): array => array_map(static fn(): int => mt_rand(-30, 30) * (mt_rand(0, 9) === 0 ? 10 ** 12 : 1), range(1, mt_rand(1, $most)));
            $values = $draw(60);
            $added = mt_rand(0, 1) === 0 ? [] : $draw(10);
            $removed = [];
            foreach ((array) array_rand($values, mt_rand(1, min(10, count($values)))) as $place) {
                $removed[$values[$place]] = ($removed[$values[$place]] ?? 0) + 1;
                unset($values[$place]);
            }
            $before = ValueCounts::ofUnorderedIntegers([...array_values($values), ...array_merge([], ...array_map(static fn(int $value, int $count): array => array_fill(0, $count, $value), array_keys($removed), $removed))], 2);
            $after = ValueCounts::ofUnorderedIntegers([...array_values($values), ...$added], 2);

            self::assertSame(bin2hex($after->toBytes()), bin2hex($before->changed($removed, array_count_values($added))->toBytes()));
        });
    }

    public function test_values_that_occurred_once_each_need_not_after(): void
    {
        // As a part of an index is stored: without running counts.
        $once = ValueCounts::fromSlimBytes(ValueCounts::ofIntegers(range(-9, 20_000), array_fill(0, 20_010, 1), 1)->toSlimBytes(), 1);
        $after = ValueCounts::ofIntegers([-10, ...range(-8, 19_998), 20_000], [2, 3, ...array_fill(0, 20_006, 1), 1], 1);

        self::assertSame(bin2hex($after->toBytes()), bin2hex($once->changed([-9 => 1, 19_999 => 1], [-10 => 2, -8 => 2])->toBytes()));
    }
}
