<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use PHPUnit\Framework\TestCase;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\StepPlot;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\Numbers;

/** The share at or below each value, counted on paper. */
final class StepPlotTest extends TestCase
{
    public function test_a_line_rises_at_each_value_by_its_share(): void
    {
        $plot = StepPlot::of([new Observations(Numbers::of('1', '2', '2', '4', ''), 1), new Observations(Numbers::of('2', '4'), 0), new Observations(Numbers::ofTexts([]), 2)]);

        self::assertSame([[[1.0, 0.25], [2.0, 0.75], [4.0, 1.0]], [[2.0, 0.5], [4.0, 1.0]], []], self::steps($plot));
        self::assertSame([4.0, 2.0, 0.0], $plot->n);
        self::assertSame([1.0, 4.0], [$plot->axis?->from, $plot->axis?->to]);
    }

    public function test_counts_that_are_not_whole_have_their_share(): void
    {
        $plot = StepPlot::of([new Observations(ValueCounts::ofCountedIntegers([1 => 25, 9 => 75], 0), 0, 1)]);

        self::assertSame([[[1.0, 0.25], [9.0, 1.0]]], self::steps($plot));
        self::assertSame([10.0], $plot->n);
    }

    public function test_equal_values_are_one_step_and_none_are_no_picture(): void
    {
        $plot = StepPlot::of([new Observations(Numbers::of('7', '7'), 0)]);
        self::assertSame([[[7.0, 1.0]]], self::steps($plot));
        self::assertSame([6.0, 8.0], [$plot->axis?->from, $plot->axis?->to]);
        self::assertNull(StepPlot::of([new Observations(Numbers::ofTexts([]), 3)])->axis);
    }

    public function test_of_very_many_values_so_many_have_a_step_and_the_ends_are_among_them(): void
    {
        $steps = self::steps(StepPlot::of([new Observations(ValueCounts::ofUnorderedIntegers(range(1, 10_000), 0), 0)]))[0];

        self::assertCount(StepPlot::MOST, $steps);
        self::assertSame([[1.0, 0.0001], [10_000.0, 1.0]], [$steps[0], $steps[499]]);
        // The 250th of 500 is 249/499 of the 9,999 ranks behind the first: 4,989.5, a little less.
        self::assertSame([4990.0, 0.499], $steps[249]);
        // 500 distinct values have a step each.
        self::assertCount(500, self::steps(StepPlot::of([new Observations(ValueCounts::ofUnorderedIntegers([...range(1, 500), ...range(1, 500)], 0), 0)]))[0]);
    }

    /** @return list<list<array{float, float}>> */
    private static function steps(StepPlot $plot): array
    {
        return array_map(static fn(array $line): array => array_map(static fn(array $step): array => [$step['value'], $step['share']], $line), $plot->lines);
    }
}
