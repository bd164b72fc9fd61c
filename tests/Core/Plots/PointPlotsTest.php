<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\DotPlot;
use RowTally\Core\Plots\NormalQq;
use RowTally\Core\Plots\OrderedStrip;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\Numbers;

/** Dot plot, normal Q–Q plot and ordered strip. */
final class PointPlotsTest extends TestCase
{
    public function test_a_few_values_are_dots_at_their_exact_places(): void
    {
        $plot = DotPlot::of([new Observations(Numbers::of('1', '2', '2', '4'), 0), new Observations(Numbers::of('2', '4'), 0)]);

        self::assertSame([[1.0, 2.0, 4.0], null, 1], [$plot->at, $plot->binWidth, $plot->perDot]);
        self::assertSame([[1, 2, 1], [0, 1, 1]], array_column($plot->lanes, 'dots'));
        self::assertSame([2.25, 2.0], [$plot->lanes[0]['mean'], $plot->lanes[0]['median']]);
    }

    public function test_crowded_values_are_binned_and_a_dot_stands_for_a_round_number_of_them(): void
    {
        $values = ValueCounts::ofUnorderedIntegers(array_map(static fn(int $i): int => $i * 7919 % 9973, range(1, 9000)), 2);
        $plot = DotPlot::of([new Observations($values, 0)]);

        self::assertSame(['2', 9000], [(string) $plot->binWidth, array_sum($plot->lanes[0]['counts'])]);
        self::assertContains($plot->perDot, [1, 2, 5, 10, 20, 50]);
        self::assertLessThanOrEqual(DotPlot::HIGHEST, max($plot->lanes[0]['dots']));
        self::assertCount(count($plot->at), $plot->lanes[0]['counts']);
    }

    public function test_dots_of_groups_add_up_to_those_of_all(): void
    {
        $one = ValueCounts::ofUnorderedIntegers(array_map(static fn(int $i): int => $i * 31 % 887, range(1, 400)), 1);
        $two = ValueCounts::ofUnorderedIntegers(array_map(static fn(int $i): int => $i * 17 % 911, range(1, 300)), 1);
        $all = [];
        foreach ([$one, $two] as $values) {
            foreach ($values->between(1, $values->n()) as ['value' => $value, 'count' => $count]) {
                array_push($all, ...array_fill(0, $count, $value->getUnscaledValue()->toInt()));
            }
        }
        [$overall, $first, $second] = DotPlot::of([new Observations(ValueCounts::ofUnorderedIntegers($all, 1), 0), new Observations($one, 0), new Observations($two, 0)])->lanes;

        self::assertSame($overall['counts'], array_map(static fn(int $a, int $b): int => $a + $b, $first['counts'], $second['counts']));
    }

    public function test_equal_values_and_none_are_no_trouble(): void
    {
        self::assertSame([[7.0], [2]], [DotPlot::of([new Observations(Numbers::of('7', '7'), 0)])->at, DotPlot::of([new Observations(Numbers::of('7', '7'), 0)])->lanes[0]['dots']]);
        self::assertSame([], DotPlot::of([new Observations(Numbers::of(''), 1)])->lanes);
        self::assertSame([[], []], [NormalQq::of(new Observations(Numbers::of('5'), 0), new Basis())->points, OrderedStrip::of(new Observations(Numbers::of(''), 1), new Basis())->points]);
    }

    public function test_points_of_the_normal_plot_stand_where_blom_says_and_its_line_runs_through_the_quartiles(): void
    {
        $plot = NormalQq::of(new Observations(Numbers::of('1', '2', '3', '4', '5'), 0), new Basis());

        // (i − 3/8)/5.25 for i = 1 is 0.119047…, at z = −1.17976; the middle one is at 0.
        self::assertEqualsWithDelta(-1.179761, $plot->points[0]['z'], 1e-6);
        self::assertEqualsWithDelta(0.0, $plot->points[2]['z'], 1e-15);
        self::assertNotNull($plot->line);
        // Q₁ = 1.5 and Q₃ = 4.5 at z = ∓0.67449.
        self::assertEqualsWithDelta(1.5, $plot->line['intercept'] - 0.6744897501960817 * $plot->line['slope'], 1e-12);
        self::assertNull(NormalQq::of(new Observations(Numbers::of('5', '5', '5'), 0), new Basis())->line);
    }

    public function test_many_points_are_thinned_but_for_the_ends(): void
    {
        $plot = NormalQq::of(new Observations(ValueCounts::ofUnorderedIntegers(range(1, 50_000), 0), 0), new Basis());
        $ranks = array_column($plot->points, 'rank');

        self::assertLessThanOrEqual(NormalQq::MOST, count($ranks));
        self::assertSame([range(1, 200), 50_000], [array_slice($ranks, 0, 200), $ranks[count($ranks) - 1]]);
        self::assertSame($ranks, array_values(array_unique($ranks)));
    }

    public function test_the_strip_has_the_values_in_order_with_the_cuts_of_the_basis(): void
    {
        $strip = OrderedStrip::of(new Observations(Numbers::of('9', '1', '5', '3'), 0), new Basis());

        self::assertSame([[0.125, 1.0], [0.375, 3.0], [0.625, 5.0], [0.875, 9.0]], array_map(array_values(...), $strip->points));
        self::assertSame([['Q₁', 0.25, 2.0], ['x̃', 0.5, 4.0], ['Q₃', 0.75, 7.0]], array_map(array_values(...), $strip->cuts));
        self::assertCount(OrderedStrip::MOST, OrderedStrip::of(new Observations(ValueCounts::ofUnorderedIntegers(range(1, 50_000), 0), 0), new Basis())->points);
    }
}
