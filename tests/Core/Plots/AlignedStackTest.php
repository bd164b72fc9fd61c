<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Observations\Outliers;
use RowTally\Core\Plots\AlignedStack;
use RowTally\Core\Plots\BoxPlot;
use RowTally\Core\Plots\MicroHistogram;
use Tests\Core\Support\Numbers;
use Tests\Core\Support\ReferenceCases;

final class AlignedStackTest extends TestCase
{
    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'valuesCases')]
    public function test_outliers_are_those_of_the_reference_under_every_rule(array $case): void
    {
        $observations = new Observations(ReferenceCases::values($case['input']['values']), 0);
        foreach (QuartileRule::cases() as $rule) {
            $expected = $case['expected']['quartiles'][$rule->value];
            $outliers = Outliers::every($observations, new Basis(quartileRule: $rule));
            $values = [];
            foreach ($outliers as $outlier) {
                $values = [...$values, ...array_fill(0, $outlier['count'], (float) (string) $outlier['value'])];
            }
            self::assertCount($expected['outliers_count'], $values, $rule->value);
            if ($expected['outliers'] !== null) {
                self::assertSame(array_map(floatval(...), $expected['outliers']), $values, $rule->value);
            }
        }
    }

    public function test_whiskers_end_at_the_last_values_inside_the_fences(): void
    {
        $values = Numbers::of('-30', '1', '2', '3', '4', '5', '6', '7', '8', '40');
        $box = BoxPlot::of(new Observations($values, 0), new Basis());

        self::assertSame([1.0, 8.0], [$box->whiskerLow, $box->whiskerHigh]);
        self::assertSame([2.0, 4.5, 7.0, 4.6], [$box->q1, $box->median, $box->q3, $box->mean]);
        self::assertSame(
            [['-30', true], ['40', true]],
            array_map(static fn(array $mark): array => [(string) $mark['value'], $mark['far']], $box->outliers->marks),
        );
    }

    public function test_too_many_outliers_are_counted_but_not_all_marked(): void
    {
        $texts = [...array_fill(0, 5000, '0'), ...array_map(strval(...), range(1, 1000))];
        $outliers = Outliers::of(new Observations(Numbers::ofTexts($texts), 0), new Basis());

        self::assertSame([1000, true, Outliers::SHOWN / 2], [$outliers->total, $outliers->cut, count($outliers->marks)]);
        self::assertSame('1000', (string) $outliers->marks[array_key_last($outliers->marks)]['value']);
    }

    public function test_lanes_share_classes_and_add_up_to_the_overall_one(): void
    {
        $a = new Observations(Numbers::of('1.5', '2.5', '9'), 0);
        $b = new Observations(Numbers::of('4', '4'), 1);
        $stack = AlignedStack::of(new Observations(Numbers::of('1.5', '2.5', '9', '4', '4'), 1), [$a, $b], new Basis());

        self::assertNotNull($stack);
        [$overall, $first, $second] = $stack->bars->histograms;
        self::assertSame($overall->counts, array_map(static fn(int $x, int $y): int => $x + $y, $first->counts, $second->counts));
        $inGroups = (float) max(...$first->counts, ...$second->counts);
        self::assertSame([(float) max($overall->counts), $inGroups, $inGroups], $stack->bars->highest);
        self::assertLessThanOrEqual($stack->bars->classes->edges()[0], $stack->bars->axis->from);
    }

    public function test_a_group_without_values_has_an_empty_lane_and_no_box(): void
    {
        $stack = AlignedStack::of(new Observations(Numbers::of('1', '2'), 3), [new Observations(Numbers::of(''), 3)], new Basis());

        self::assertNotNull($stack);
        self::assertNull($stack->boxes[1]);
        self::assertSame(0, array_sum($stack->bars->histograms[1]->counts));
    }

    public function test_without_any_value_there_is_nothing_to_draw(): void
    {
        self::assertNull(AlignedStack::of(new Observations(Numbers::of(''), 1), [], new Basis()));
    }

    public function test_a_sketch_has_a_handful_of_bars_that_count_every_value(): void
    {
        $values = Numbers::ofTexts(array_map(static fn(int $i): string => (string) ($i * $i), range(1, 300)));

        self::assertSame(300, array_sum(MicroHistogram::of($values)));
        self::assertLessThanOrEqual(12, count(MicroHistogram::of($values)));
        self::assertSame([2, 0, 1], MicroHistogram::of(Numbers::of('3', '3', '5')));
        self::assertSame([4], MicroHistogram::of(Numbers::of('7', '7', '7', '7')));
        self::assertSame([], MicroHistogram::of(Numbers::of('')));
    }
}
