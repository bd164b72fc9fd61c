<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\ClassChoice;
use RowTally\Core\Plots\Classes;
use RowTally\Core\Plots\Crosshair;
use RowTally\Core\Plots\DotPlot;
use RowTally\Core\Plots\HeightScale;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Plots\NormalQq;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\CrosshairWords;
use Tests\Core\Support\Numbers;

/** How high what is drawn stands, by hand. */
final class HeightsTest extends TestCase
{
    /** @return iterable<string, array{HeightScale, list<float>}> */
    public static function scales(): iterable
    {
        yield 'counts' => [HeightScale::Count, [2.5, 6.0]];
        yield 'percent' => [HeightScale::Percent, [25.0, 60.0]];
        yield 'cumulative' => [HeightScale::Cumulative, [40.0, 100.0]];
        yield 'density' => [HeightScale::Density, [0.125, 0.3]];
    }

    /**
     * 1.5 lie below the classes, 2.5 in [2, 4) and 6.0 in [4, 6].
     *
     * @param list<float> $heights
     */
    #[DataProvider('scales')]
    public function test_bars_are_as_high_as_the_scale_says(HeightScale $scale, array $heights): void
    {
        $observations = new Observations(ValueCounts::ofCountedIntegers([1 => 15, 3 => 25, 5 => 60], 0), 0, 1);
        $histogram = Histogram::of($observations->values, new Classes(BigDecimal::of(2), BigDecimal::of(2), 2), ClassEdge::Left);
        self::assertSame($heights, $scale->heights($histogram, $observations));
    }

    public function test_a_normal_curve_is_as_high_as_bars_of_normal_values(): void
    {
        $observations = new Observations(Numbers::of('1', '3'), 0);
        $classes = new Classes(BigDecimal::zero(), BigDecimal::of(2), 2);
        $middle = static fn(HeightScale $scale, SampleOrPopulation $takenAs): float => $scale->normalCurve($observations, $takenAs, $classes, 0.0, 4.0, 3)[1]['height'];
        $peak = 1 / sqrt(2 * M_PI);
        self::assertEqualsWithDelta(2 * 2 * $peak, $middle(HeightScale::Count, SampleOrPopulation::Population), 1e-15);
        self::assertEqualsWithDelta(2 * 2 * $peak / sqrt(2), $middle(HeightScale::Count, SampleOrPopulation::Sample), 1e-15);
        self::assertEqualsWithDelta(100 * 2 * $peak, $middle(HeightScale::Percent, SampleOrPopulation::Population), 1e-12);
        self::assertEqualsWithDelta($peak, $middle(HeightScale::Density, SampleOrPopulation::Population), 1e-15);
        self::assertEqualsWithDelta(50.0, $middle(HeightScale::Cumulative, SampleOrPopulation::Population), 1e-12);
        $curve = HeightScale::Density->normalCurve($observations, SampleOrPopulation::Population, $classes, 0.0, 4.0, 3);
        self::assertSame([0.0, 2.0, 4.0], array_column($curve, 'at'));
        self::assertEqualsWithDelta($peak * exp(-2), $curve[0]['height'], 1e-15);
        self::assertSame([], HeightScale::Count->normalCurve(new Observations(Numbers::of('3', '3'), 0), SampleOrPopulation::Population, $classes, 0.0, 4.0));
        self::assertSame([], HeightScale::Count->normalCurve(new Observations(Numbers::ofTexts([]), 0), SampleOrPopulation::Population, $classes, 0.0, 4.0));
    }

    public function test_of_very_many_values_the_ends_of_a_normal_plot_are_whole(): void
    {
        $ranks = static fn(int $n): array => array_column(NormalQq::of(new Observations(Numbers::ofTexts(array_map(strval(...), range(1, $n))), 0), new Basis())->points, 'rank');
        $most = count($ranks(20_000));
        self::assertSame(range(1, $most), $ranks($most));
        $many = $ranks($most + 5000);
        self::assertCount($most, $many);
        self::assertSame([1, 200, $most + 4801, $most + 5000], [$many[0], $many[199], $many[count($many) - 200], $many[count($many) - 1]]);
        // Between them stand 1,600 of 6,600.
        self::assertSame([201, 205, 209], array_slice($many, 200, 3));
    }

    public function test_under_the_crosshair_stands_the_z_of_its_place(): void
    {
        $observations = new Observations(Numbers::ofTexts(array_map(strval(...), range(0, 20))), 0);
        $crosshair = Crosshair::of($observations, new Basis(takenAs: SampleOrPopulation::Population));
        self::assertNotNull($crosshair);
        foreach ([0, 60, count($crosshair->values) - 1] as $place) {
            $z = ((float) str_replace('−', '-', $crosshair->values[$place]) - 10) / sqrt(440 / 12);
            self::assertEqualsWithDelta($z, (float) str_replace('−', '-', (string) CrosshairWords::at($crosshair, $place)['z']), 0.02);
        }
    }

    public function test_dots_of_counts_in_tenths_stand_for_whole_ones(): void
    {
        $dots = DotPlot::of([new Observations(ValueCounts::ofCountedIntegers([1 => 25, 9 => 75], 0), 0, 1)]);
        self::assertSame([3, 8], $dots->lanes[0]['dots']);
    }

    public function test_typed_edges_must_ascend_from_the_first(): void
    {
        $three = new Observations(Numbers::of('1', '3', '4'), 0);
        self::assertEquals([1, 2, 5], ClassChoice::ofWord('1;2;5')->classes($three, ClassEdge::Left)->edges());
        $this->expectException(NotUnderstood::class);
        ClassChoice::ofWord('3;2;5');
    }
}
