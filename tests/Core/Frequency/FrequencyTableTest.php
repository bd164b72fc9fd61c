<?php

declare(strict_types=1);

namespace Tests\Core\Frequency;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Display\Percent;
use RowTally\Core\Frequency\FrequencyKind;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Frequency\NumberFrequencies;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\Bars;
use RowTally\Core\Plots\StackOptions;
use Tests\Core\Support\Numbers;

final class FrequencyTableTest extends TestCase
{
    public function test_each_percent_has_the_whole_its_name_says(): void
    {
        // Overall 3 + 1 of 4 present and 1 missing; the one group has 2 + 0 present and none missing.
        $table = new FrequencyTable(FrequencyKind::Labels, ['lime', 'heather'], [[3, 1], [2, 0]], [1, 0]);

        self::assertSame([4, 2], [$table->total(0), $table->total(1)]);
        self::assertSame(['60.0', '75.0', '75.0', '20.0'], [$table->percentOfAll(0, 0), $table->percentOfPresent(0, 0), $table->cumulativePercent(0, 0), $table->percentMissing(0)]);
        self::assertSame(['66.7', '50.0', '100.0', '0.0'], [$table->percentOfRow(1, 0), $table->percentOfTotal(1, 0), $table->percentOfPresent(1, 0), $table->percentOfRow(1, 1)]);
        self::assertSame('100.0', $table->cumulativePercent(0, 1));
    }

    public function test_a_percent_of_nothing_is_none(): void
    {
        $table = new FrequencyTable(FrequencyKind::Labels, ['lime'], [[0], [0]], [0, 2]);

        self::assertSame([null, null, null, null], [$table->percentOfAll(0, 0), $table->percentOfPresent(0, 0), $table->cumulativePercent(0, 0), $table->percentOfRow(1, 0)]);
        self::assertSame(['0.0', '100.0'], [$table->percentOfAll(1, 0), $table->percentMissing(1)]);
        self::assertNull($table->commonest());
    }

    public function test_the_most_frequent_come_first_and_equal_ones_stay_as_they_were(): void
    {
        $table = (new FrequencyTable(FrequencyKind::Labels, ['a', 'b', 'c', 'd'], [[1, 4, 1, 2], [0, 1, 1, 2]], [0, 0], 1))->byCount();

        self::assertSame(['b', 'd', 'a', 'c'], $table->labels);
        self::assertSame([[4, 2, 1, 1], [1, 2, 0, 1]], $table->counts);
        self::assertSame([1, 0], [$table->countDecimals, $table->commonest()]);
    }

    /** @return iterable<string, array{int, int, string}> */
    public static function percents(): iterable
    {
        yield 'rounded up at a half' => [1, 2000, '0.1'];
        yield 'rounded down below a half' => [1, 2001, '0.0'];
        yield 'thirds' => [2, 3, '66.7'];
        yield 'all' => [7, 7, '100.0'];
        yield 'nearly all' => [1999, 2000, '100.0'];
        yield 'more than machine integers hold' => [PHP_INT_MAX - 1, PHP_INT_MAX, '100.0'];
        yield 'a large half' => [intdiv(PHP_INT_MAX, 2), PHP_INT_MAX, '50.0'];
    }

    #[DataProvider('percents')]
    public function test_percents_are_rounded_once_half_away_from_zero(int $part, int $whole, string $text): void
    {
        self::assertSame($text, Percent::text($part, $whole));
    }

    public function test_few_distinct_values_have_a_row_each_and_many_a_row_for_each_class(): void
    {
        $few = $this->ofNumbers(array_map(static fn(int $i): string => (string) ($i % 25), range(0, 49)), false);
        self::assertSame([FrequencyKind::Values, 25, '0', 2], [$few->kind, count($few->labels), $few->labels[0], $few->counts[0][24]]);

        $numbers = array_map(static fn(int $i): string => (string) ($i % 27), range(0, 53));
        $many = $this->ofNumbers($numbers, false);
        self::assertSame([FrequencyKind::Classes, 54], [$many->kind, $many->total(0)]);
        self::assertLessThan(27, count($many->labels));

        $asked = $this->ofNumbers($numbers, true);
        self::assertSame([FrequencyKind::Values, 27], [$asked->kind, count($asked->labels)]);
    }

    public function test_a_group_is_counted_over_the_values_of_all(): void
    {
        $overall = new Observations(Numbers::of('1', '2', '2', '4'), 3);
        $table = NumberFrequencies::of([$overall, new Observations(Numbers::of('2', '4'), 1)], Bars::of($overall, [], new Basis(), new StackOptions()), false);

        self::assertSame(['1', '2', '4'], $table->labels);
        self::assertSame([[1, 2, 1], [0, 1, 1]], $table->counts);
        self::assertSame([3, 1], $table->missing);
    }

    public function test_columns_that_are_not_shown_are_left_out_and_the_others_keep_their_wholes(): void
    {
        $overall = new Observations(Numbers::of('1', '2', '2', '4'), 3);
        $all = NumberFrequencies::of([$overall, new Observations(Numbers::of('2', '4'), 1), new Observations(Numbers::of('1', '2'), 2)], Bars::of($overall, [], new Basis(), new StackOptions()), false);
        $shown = $all->columns([0, 2]);

        self::assertSame([[1, 2, 1], [1, 1, 0]], $shown->counts);
        self::assertSame([3, 2], $shown->missing);
        self::assertSame(['50.0', '100.0'], [$shown->cumulativePercent(1, 0), $shown->cumulativePercent(1, 2)]);
    }

    public function test_no_value_at_all_gives_a_table_without_rows(): void
    {
        $table = NumberFrequencies::of([new Observations(Numbers::of(), 2)], null, false);

        self::assertSame([[], [[]], '100.0'], [$table->labels, $table->counts, $table->percentMissing(0)]);
    }

    /** @param list<string> $numbers */
    private function ofNumbers(array $numbers, bool $distinct): FrequencyTable
    {
        $overall = new Observations(Numbers::of(...$numbers), 0);

        return NumberFrequencies::of([$overall], Bars::of($overall, [], new Basis(), new StackOptions()), $distinct);
    }
}
