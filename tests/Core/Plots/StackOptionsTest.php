<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\AlignedStack;
use RowTally\Core\Plots\ClassChoice;
use RowTally\Core\Plots\Crosshair;
use RowTally\Core\Plots\HeightScale;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Plots\Marker;
use RowTally\Core\Plots\StackOptions;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\CrosshairWords;
use Tests\Core\Support\Numbers;
use Tests\Core\Support\ReferenceCases;

/** Classes, heights and lines as somebody wants them. */
final class StackOptionsTest extends TestCase
{
    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'histogramCases')]
    public function test_classes_from_a_start_in_one_width_are_those_of_the_reference(array $case): void
    {
        $observations = new Observations(ReferenceCases::values($case['input']['values']), 0);
        $word = json_encode($case['input']['start']) . ':' . json_encode($case['input']['width']);
        $classes = ClassChoice::ofWord($word)->classes($observations, ClassEdge::Left);
        if ($case['input']['classes'] === null) {
            self::assertSame($case['expected']['edges'], $classes->edges());
        }
        self::assertSame($case['input']['start'] + 0.0, $classes->edges()[0]);
    }

    public function test_typed_edges_make_unequal_classes_whose_bars_are_densities(): void
    {
        $observations = new Observations(Numbers::of('1', '2', '6', '12', '19', '40'), 0);
        $stack = AlignedStack::of($observations, [], new Basis(), new StackOptions(ClassChoice::ofWord('0,5, 20')));
        self::assertNotNull($stack);

        self::assertSame([HeightScale::Density, [2, 3], 1], [$stack->bars->scale, $stack->bars->histograms[0]->counts, $stack->bars->histograms[0]->above]);
        self::assertEqualsWithDelta([2 / 6 / 5, 3 / 6 / 15], $stack->bars->heights[0], 1e-15);
        self::assertGreaterThanOrEqual(40.0, $stack->bars->axis->to, 'what the classes leave out is on the axis');
    }

    public function test_areas_of_densities_add_up_to_one_and_cumulative_percents_reach_a_hundred(): void
    {
        $observations = new Observations(ValueCounts::ofUnorderedIntegers(array_map(static fn(int $i): int => $i * $i % 1013, range(1, 700)), 1), 0);
        foreach (['', 'sturges', 'scott', '-5:7.5', '0,1,4,30,90,102'] as $word) {
            $classes = ClassChoice::ofWord($word)->classes($observations, ClassEdge::Left);
            $histogram = Histogram::of($observations->values, $classes, ClassEdge::Left);
            $area = 0.0;
            foreach (HeightScale::Density->heights($histogram, $observations) as $i => $height) {
                $area += $height * (float) (string) $classes->widthOf($i);
            }
            self::assertEqualsWithDelta(1.0, $area, 1e-12, $word);
            $cumulative = HeightScale::Cumulative->heights($histogram, $observations);
            self::assertSame(100.0, $cumulative[count($cumulative) - 1], $word);
        }
    }

    public function test_the_normal_curve_has_the_area_of_the_bars(): void
    {
        $observations = new Observations(ValueCounts::ofUnorderedIntegers(array_map(static fn(int $i): int => 500 + $i % 41 + $i * 7 % 43, range(1, 400)), 1), 0);
        $classes = ClassChoice::ofWord('0:2')->classes($observations, ClassEdge::Left);
        foreach ([[HeightScale::Density, 1.0], [HeightScale::Count, 800.0], [HeightScale::Percent, 200.0]] as [$scale, $area]) {
            $curve = $scale->normalCurve($observations, SampleOrPopulation::Sample, $classes, 0.0, 110.0, 2001);
            self::assertEqualsWithDelta($area, array_sum(array_column($curve, 'height')) * 110.0 / 2000, 1e-6 * $area);
        }
        self::assertSame([], HeightScale::Count->normalCurve(new Observations(Numbers::of('5', '5'), 0), SampleOrPopulation::Sample, $classes, 0.0, 1.0));
    }

    public function test_the_normal_curve_has_the_standard_deviation_of_the_basis(): void
    {
        $observations = new Observations(Numbers::of('1', '3'), 0);
        $highest = static fn(SampleOrPopulation $takenAs): float => max(array_column(HeightScale::Density->normalCurve($observations, $takenAs, ClassChoice::ofWord('0:1')->classes($observations, ClassEdge::Left), 0.0, 4.0), 'height'));

        // σ = 1, s = √2: the curve is 1/(σ√2π) high.
        self::assertEqualsWithDelta(1 / sqrt(2 * M_PI), $highest(SampleOrPopulation::Population), 1e-12);
        self::assertEqualsWithDelta(1 / sqrt(4 * M_PI), $highest(SampleOrPopulation::Sample), 1e-12);
    }

    public function test_lines_stand_at_the_figures_of_the_basis(): void
    {
        $observations = new Observations(Numbers::of('2', '4', '4', '5', '10'), 0);
        $lines = static fn(Marker $marker, Basis $basis): array => array_map(static fn(array $line): array => [$line['name'], $line['at']], $marker->lines($observations, $basis));

        self::assertSame([['Q₁', 3.0], ['Q₃', 7.5]], $lines(Marker::Quartiles, new Basis()));
        self::assertSame([['mean', 5.0], ['mode', 4.0]], [...$lines(Marker::Mean, new Basis()), ...$lines(Marker::Mode, new Basis())]);
        self::assertSame([['x̄ − s', 2.0], ['x̄ + s', 8.0]], $lines(Marker::OneSd, new Basis()));
        self::assertSame(['µ − 2σ', 'µ + 2σ'], array_column($lines(Marker::TwoSd, new Basis(SampleOrPopulation::Population)), 0));
    }

    public function test_groups_share_a_scale_unless_each_has_its_own(): void
    {
        $many = new Observations(Numbers::of('1.5', '1.5', '1.5', '2.5'), 0);
        $few = new Observations(Numbers::of('9.5'), 0);
        $all = new Observations(Numbers::of('1.5', '1.5', '1.5', '2.5', '9.5'), 0);
        $highest = static fn(bool $own): ?array => AlignedStack::of($all, [$many, $few], new Basis(), new StackOptions(ClassChoice::ofWord('0:1'), ownScales: $own))?->bars->highest;

        self::assertSame([3.0, 3.0, 3.0], $highest(false));
        self::assertSame([3.0, 3.0, 1.0], $highest(true));
    }

    public function test_the_crosshair_reads_percentile_and_z_from_one_end_of_the_axis_to_the_other(): void
    {
        $crosshair = Crosshair::of(new Observations(Numbers::ofTexts(array_map(static fn(int $i): string => "{$i}.5", range(0, 99))), 0), new Basis());
        self::assertNotNull($crosshair);

        self::assertSame([301, 301], [count($crosshair->values), count($crosshair->says)]);
        self::assertSame('50.0: 50.0 % below, z 0.00, 20 in this class', $crosshair->says[150]);
        self::assertSame(['0.0', '100.0'], [CrosshairWords::at($crosshair, 0)['percent'], CrosshairWords::at($crosshair, 300)['percent']]);
    }

    /** @return iterable<string, array{string, string}> */
    public static function badWords(): iterable
    {
        yield 'no width' => ['0:0', '"0:0" makes no classes'];
        yield 'words' => ['wide', '"wide" makes no classes'];
        yield 'edges that turn back' => ['0,10,5', 'Edges of classes ascend, but 5 comes behind 10.'];
        yield 'far too narrow' => ['0:0.0001', 'That makes more than 500 classes.'];
    }

    #[DataProvider('badWords')]
    public function test_words_that_make_no_classes_are_answered_with_what_would(string $word, string $sentence): void
    {
        $this->expectException(NotUnderstood::class);
        $this->expectExceptionMessage($sentence);
        ClassChoice::ofWord($word)->classes(new Observations(Numbers::of('1', '50'), 0), ClassEdge::Left);
    }

    public function test_an_axis_may_cover_a_part_and_the_crosshair_reads_that(): void
    {
        $all = new Observations(Numbers::of('1', '2', '3', '40'), 0);
        $options = new StackOptions(zoom: StackOptions::zoomOfWord('0:5'));
        [$stack, $crosshair] = [AlignedStack::of($all, [], new Basis(), $options), Crosshair::of($all, new Basis(), $options)];

        self::assertNotNull($stack);
        self::assertNotNull($crosshair);
        self::assertSame([0.0, 5.0], [$stack->bars->axis->from, $stack->bars->axis->to]);
        self::assertSame(['0.00', '5.00'], [$crosshair->values[0], $crosshair->values[300]]);
        self::assertSame('75.0', CrosshairWords::at($crosshair, 300)['percent']);
        self::assertSame(40.0, $stack->boxes[0]?->max);
        $this->expectExceptionMessage('"5:0" is no part of an axis');
        StackOptions::zoomOfWord('5:0');
    }
}
