<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Observations\Outliers;
use RowTally\Core\Plots\BoxPlot;
use Tests\Core\Support\Numbers;

/** Quartiles 10 and 20, so that the fences lie at −5 and 35, and the outer ones at −20 and 50. */
final class BoxPlotTest extends TestCase
{
    public function test_what_lies_on_a_fence_is_inside_it_and_what_lies_on_the_outer_one_is_not_far(): void
    {
        self::assertSame([['-21', 1, true], ['-20', 2, false], ['50', 2, false], ['51', 1, true]], self::marks(Outliers::of(self::values(), new Basis())));
    }

    public function test_the_outer_fence_is_twice_as_far_as_the_inner_one(): void
    {
        $values = self::values();
        self::assertSame([['-21', 1, false], ['-20', 2, false], ['50', 2, false], ['51', 1, false]], self::marks(Outliers::of($values, new Basis(innerFence: '2'))), 'outer ones at −30 and 60');
        self::assertSame([['-21', 1, true], ['-20', 2, true], ['-5', 1, false], ['35', 1, false], ['50', 2, true], ['51', 1, true]], self::marks(Outliers::of($values, new Basis(innerFence: '1'))), 'outer ones at −10 and 40');
        self::assertSame(['3', '1', '5'], array_map(static fn(string $inner): string => (new Basis(innerFence: $inner))->outerFence(), ['1.5', '0.5', '2.5']));
    }

    public function test_whiskers_end_at_the_last_value_inside_and_the_rest_is_of_the_values(): void
    {
        $box = BoxPlot::of(self::values(), new Basis());
        self::assertSame([-5.0, 10.0, 15.0, 20.0, 35.0], [$box->whiskerLow, $box->q1, $box->median, $box->q3, $box->whiskerHigh]);
        self::assertSame([-21.0, 51.0, 28.0, 15.0], [$box->min, $box->max, $box->n, $box->mean]);
        self::assertSame([4, 25], [$box->outliers->firstInside, $box->outliers->lastInside]);
    }

    public function test_notches_reach_1_57_interquartile_ranges_by_the_root_of_n(): void
    {
        $box = BoxPlot::of(self::values(), new Basis());
        self::assertEqualsWithDelta(15 - 15.7 / sqrt(28), $box->notchLow, 1e-12);
        self::assertEqualsWithDelta(15 + 15.7 / sqrt(28), $box->notchHigh, 1e-12);
    }

    public function test_of_very_many_outliers_the_outermost_are_marked_and_all_are_counted(): void
    {
        $values = [...array_fill(0, 5000, '10'), ...array_fill(0, 5000, '20'), ...array_map(strval(...), range(1001, 2000))];
        $outliers = Outliers::of(new Observations(Numbers::ofTexts($values), 0), new Basis());
        self::assertSame([1000, true], [$outliers->total, $outliers->cut]);
        self::assertLessThan(1000, count($outliers->marks));
        self::assertSame(2000, $outliers->marks[count($outliers->marks) - 1]['value']->toInt());
        self::assertCount(1000, Outliers::every(new Observations(Numbers::ofTexts($values), 0), new Basis()));
    }

    public function test_without_values_there_is_no_box(): void
    {
        $none = new Observations(Numbers::ofTexts([]), 3);
        self::assertSame([0, [], false], [Outliers::of($none, new Basis())->total, Outliers::of($none, new Basis())->marks, Outliers::of($none, new Basis())->cut]);
        $this->expectException(InvalidInput::class);
        BoxPlot::of($none, new Basis());
    }

    private static function values(): Observations
    {
        return new Observations(Numbers::ofTexts(['-21', '-20', '-20', '-5', ...array_fill(0, 10, '10'), ...array_fill(0, 10, '20'), '35', '50', '50', '51']), 0);
    }

    /** @return list<array{string, int, bool}> */
    private static function marks(Outliers $outliers): array
    {
        return array_map(static fn(array $mark): array => [(string) $mark['value'], $mark['count'], $mark['far']], $outliers->marks);
    }
}
