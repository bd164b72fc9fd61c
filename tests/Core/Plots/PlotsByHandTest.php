<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\AutomaticClasses;
use RowTally\Core\Plots\Bars;
use RowTally\Core\Plots\ClassChoice;
use RowTally\Core\Plots\Classes;
use RowTally\Core\Plots\ClassRule;
use RowTally\Core\Plots\Crosshair;
use RowTally\Core\Plots\DotPlot;
use RowTally\Core\Plots\HeightScale;
use RowTally\Core\Plots\NormalQq;
use RowTally\Core\Plots\StackOptions;
use RowTally\Core\Plots\StemLeaf;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\CrosshairWords;
use Tests\Core\Support\Numbers;

/** Where a picture changes its way: the last value it does one way and the first it does the other, worked out on paper. */
final class PlotsByHandTest extends TestCase
{
    public function test_up_to_a_hundred_places_a_hundredth_apart_are_exact(): void
    {
        $of = static fn(int ...$values): DotPlot => DotPlot::of([new Observations(ValueCounts::ofUnorderedIntegers($values, 0), 0)]);

        self::assertSame([null, 100], [$of(...range(1, 100))->binWidth, count($of(...range(1, 100))->at)]);
        // 101 of them go to 60 bins of at least 100/60: two wide, from 0 to 102.
        $binned = $of(...range(1, 101));
        self::assertSame(['2', 51, 1.0, 101.0], [(string) $binned->binWidth, count($binned->at), $binned->at[0], $binned->at[50]]);
        self::assertSame([1, ...array_fill(0, 50, 2)], $binned->lanes[0]['counts']);
        self::assertSame([0.0, true], [$binned->axis?->from, $binned->axis?->to >= 102.0]);
        // 0 and 1 of a range of 100 are just far enough apart; of 101 they are not.
        self::assertNull($of(0, 1, 100)->binWidth);
        self::assertSame('2', (string) $of(0, 1, 101)->binWidth);
    }

    public function test_a_dot_stands_for_the_least_round_number_that_fits(): void
    {
        $perDot = static fn(int $count, int $most): int => DotPlot::of([new Observations(ValueCounts::ofCountedIntegers([1 => $count, 2 => 1], 0), 0)], $most)->perDot;

        self::assertSame([1, 2, 2, 5, 5, 10, 10, 20], [$perDot(30, 30), $perDot(31, 30), $perDot(60, 30), $perDot(61, 30), $perDot(150, 30), $perDot(151, 30), $perDot(300, 30), $perDot(301, 30)]);
        self::assertSame([1, 2], [$perDot(8, 8), $perDot(9, 8)]);
        $strip = DotPlot::strip(new Observations(ValueCounts::ofCountedIntegers([1 => 9, 2 => 1], 0), 0));
        self::assertSame([2, [5, 1]], [$strip->perDot, $strip->lanes[0]['dots']]);
        self::assertSame([1, [8, 1]], [($eight = DotPlot::strip(new Observations(ValueCounts::ofCountedIntegers([1 => 8, 2 => 1], 0), 0)))->perDot, $eight->lanes[0]['dots']]);
        $tenths = DotPlot::strip(new Observations(ValueCounts::ofCountedIntegers([1 => 85, 2 => 5], 0), 0, 1));
        self::assertSame([20, [5, 1], 1], [$tenths->perDot, $tenths->lanes[0]['dots'], $tenths->countDecimals]);
        $none = DotPlot::of([new Observations(Numbers::ofTexts([]), 2)]);
        self::assertSame([null, [], 1, 0], [$none->axis, $none->at, $none->perDot, $none->countDecimals]);
    }

    public function test_equal_values_stand_in_the_middle_of_an_axis_of_their_own_unit(): void
    {
        $axis = static fn(string $text): array => [($axis = DotPlot::of([new Observations(Numbers::of($text, $text), 0)])->axis)?->from, $axis?->to];

        self::assertSame([[6.0, 8.0], [6.9, 7.1], [7.24, 7.26]], array_map($axis, ['7', '7.0', '7.25']));
    }

    public function test_a_group_without_values_has_dots_of_none_and_no_centre(): void
    {
        $plot = DotPlot::of([new Observations(Numbers::of('1', '2'), 0), new Observations(Numbers::ofTexts([]), 1)]);

        self::assertSame(['counts' => [0, 0], 'dots' => [0, 0], 'mean' => null, 'median' => null], $plot->lanes[1]);
    }

    /** @return iterable<int, array{int, int}> n and 1 + ⌈log₂ n⌉ */
    public static function sturges(): iterable
    {
        foreach ([1 => 1, 2 => 2, 3 => 3, 4 => 3, 5 => 4, 8 => 4, 9 => 5, 16 => 5, 17 => 6, 1024 => 11, 1025 => 12] as $n => $classes) {
            yield $n => [$n, $classes];
        }
    }

    #[DataProvider('sturges')]
    public function test_sturges_counts_the_halvings(int $n, int $classes): void
    {
        self::assertSame($classes, ClassRule::Sturges->number(new Observations(ValueCounts::ofUnorderedIntegers(range(1, $n), 0), 0)));
    }

    public function test_scott_and_freedman_diaconis_by_their_formulas(): void
    {
        // 0, 1, …, 7: s² = 6, IQR 3.5 by definition 7, n^(−1/3) = 1/2.
        $eight = new Observations(ValueCounts::ofUnorderedIntegers(range(0, 7), 0), 0);
        self::assertEqualsWithDelta(3.49 * sqrt(6) / 2, ClassRule::Scott->width($eight), 1e-12);
        self::assertEqualsWithDelta(3.5, ClassRule::FreedmanDiaconis->width($eight), 1e-12);
        self::assertNull(ClassRule::Sturges->width($eight));
        self::assertSame([2, 2], [ClassRule::Scott->number($eight), ClassRule::FreedmanDiaconis->number($eight)]);
        // One class where the width is more than the range; none asked for where nothing spreads.
        self::assertSame(1, ClassRule::Scott->number(new Observations(Numbers::of('0', '1'), 0)));
        self::assertNull(ClassRule::Scott->number(new Observations(Numbers::of('3', '3'), 0)));
        self::assertNull(ClassRule::FreedmanDiaconis->number(new Observations(Numbers::of('1', '2', '2', '2', '2', '9'), 0)));
        self::assertNull(ClassRule::Sturges->number(new Observations(Numbers::ofTexts([]), 0)));
        // Counts in tenths: 2.5 rows count as three for Sturges, and as 2.5 in the root.
        $tenths = new Observations(ValueCounts::ofCountedIntegers([0 => 15, 4 => 10], 0), 0, 1);
        self::assertSame(3, ClassRule::Sturges->number($tenths));
    }

    public function test_a_class_of_equal_values_is_one_unit_of_their_last_place_wide(): void
    {
        $width = static fn(string $text): string => (string) AutomaticClasses::for(new Observations(Numbers::of($text), 0), ClassEdge::Left)->width;

        self::assertSame(['1', '0.1', '0.001', '1'], array_map($width, ['7', '7.2', '-0.125', '0']));
        // Of a value beyond decimals, the fifteenth digit.
        self::assertTrue(BigDecimal::of($width('1e300'))->isEqualTo('1e286'), $width('1e300'));
        self::assertTrue(BigDecimal::of($width('1.5e-30'))->isEqualTo('1e-31'), $width('1.5e-30'));
    }

    public function test_from_thirty_fine_values_on_the_spread_says_how_wide(): void
    {
        // Squares up to n², in units of 0.001: too fine for a class each. Below 30, Sturges: range / 6.
        $classes = static fn(int $n, ?ClassRule $rule = null): Classes => AutomaticClasses::for(new Observations(ValueCounts::ofUnorderedIntegers(array_map(static fn(int $i): int => $i * $i, range(1, $n)), 3), 0), ClassEdge::Left, $rule);
        // 0.840/6 = 0.14; 0.899/(2·IQR·30^(−1/3)): Q₁ 0.0683, Q₃ 0.5168, width 0.2887.
        self::assertSame(['0.1', '0.25'], [(string) $classes(29)->width, (string) $classes(30)->width]);
        // Scott: 3.49 · 0.2644 · 29^(−1/3) = 0.300.
        self::assertSame('0.25', (string) $classes(29, ClassRule::Scott)->width);
    }

    public function test_what_is_under_the_bars(): void
    {
        $ticks = static fn(string $word, ?string $zoom = null): array => array_column(self::bars(range(0, 400), $word, $zoom)->ticks(), 'at');

        self::assertSame([0.0, 100.0, 200.0, 300.0, 400.0], $ticks('0:100'));
        // Three edges inside are enough; two are not, and the axis has its own.
        self::assertSame([100.0, 200.0, 300.0], $ticks('0:100', '100,300'));
        self::assertSame([140.0, 160.0, 180.0, 200.0, 220.0, 240.0, 260.0], $ticks('0:100', '150,250'));
        // Sixty classes have their edges written, sixty-one the axis.
        self::assertCount(61, array_column(self::bars(range(0, 600), '0:10', null)->ticks(), 'at'));
        self::assertLessThan(40, count(self::bars(range(0, 610), '0:10', null)->ticks()));
    }

    public function test_the_crosshair_counts_what_lies_below_each_place(): void
    {
        mt_srand(5);
        $values = array_map(static fn(): int => mt_rand(-300, 900), range(1, 200));
        $observations = new Observations(ValueCounts::ofUnorderedIntegers($values, 1), 0);
        foreach (SampleOrPopulation::cases() as $takenAs) {
            $crosshair = Crosshair::of($observations, new Basis(takenAs: $takenAs), new StackOptions(ClassChoice::ofWord('-40:10')));
            self::assertNotNull($crosshair);
            self::assertCount(301, $crosshair->values);
            // 140 wide over 300 places takes one decimal.
            self::assertSame(['−40.0', '30.0', '100.0'], [$crosshair->values[0], $crosshair->values[150], $crosshair->values[300]]);
            $mean = array_sum($values) / 2000;
            $squares = array_sum(array_map(static fn(int $value): float => ($value / 10 - $mean) ** 2, $values));
            $deviation = sqrt($squares / ($takenAs === SampleOrPopulation::Sample ? 199 : 200));
            foreach ($crosshair->values as $i => $shown) {
                $at = (float) str_replace('−', '-', $shown);
                $below = count(array_filter($values, static fn(int $value): bool => $value < round($at * 10)));
                self::assertEqualsWithDelta($below / 2, (float) CrosshairWords::at($crosshair, $i)['percent'], 0.0501, $shown);
                self::assertEqualsWithDelta((-40 + 140 * $i / 300 - $mean) / $deviation, (float) str_replace('−', '-', (string) CrosshairWords::at($crosshair, $i)['z']), 0.00501, $shown);
            }
        }
        $equal = Crosshair::of(new Observations(Numbers::of('3', '3'), 0), new Basis());
        self::assertNotNull($equal);
        self::assertSame([null], array_values(array_unique(array_map(static fn(int $place): ?string => CrosshairWords::at($equal, $place)['z'], range(0, 300)))), 'without a spread there is none');
    }

    public function test_a_normal_plot_begins_with_two_values_and_its_line_with_a_spread(): void
    {
        $plot = static fn(string ...$texts): NormalQq => NormalQq::of(new Observations(Numbers::ofTexts(array_values($texts)), 0), new Basis(quartileRule: QuartileRule::Hf7));

        self::assertSame([[], null, 1], [$plot('5')->points, $plot('5')->line, $plot('5')->n]);
        $two = $plot('1', '3');
        // Φ⁻¹(0.625/2.25) = −0.58945…; quartiles 1.5 and 2.5, so 1/(2·0.67448975) a unit of z through 2.
        self::assertEqualsWithDelta([-0.589455797849779, 0.589455797849779], array_column($two->points, 'z'), 1e-12);
        self::assertSame([[1.0, 3.0], [1, 2]], [array_column($two->points, 'value'), array_column($two->points, 'rank')]);
        self::assertEqualsWithDelta(['slope' => 1 / (2 * 0.6744897501960817), 'intercept' => 2.0], $two->line, 1e-12);
        self::assertNull($plot('1', '2', '2', '2', '2', '9')->line);
        self::assertSame([], NormalQq::of(new Observations(ValueCounts::ofCountedIntegers([1 => 15, 3 => 25], 0), 0, 1), new Basis())->points);
    }

    public function test_a_normal_curve_has_121_places_and_the_area_of_its_bars(): void
    {
        $observations = new Observations(Numbers::ofTexts(array_map(strval(...), range(0, 40))), 0);
        $classes = new Classes(BigDecimal::of(-80), BigDecimal::of(4), 50);
        foreach (['count' => 41.0 * 4, 'percent' => 100.0 * 4, 'density' => 1.0] as $scale => $area) {
            $curve = HeightScale::from($scale)->normalCurve($observations, SampleOrPopulation::Sample, $classes, -80.0, 120.0);
            self::assertCount(121, $curve);
            self::assertSame([-80.0, 120.0], [$curve[0]['at'], $curve[120]['at']]);
            self::assertEqualsWithDelta($area, array_sum(array_column($curve, 'height')) * 200 / 120, 1e-6 * $area, $scale);
        }
        $cumulative = HeightScale::Cumulative->normalCurve($observations, SampleOrPopulation::Sample, $classes, -80.0, 120.0);
        self::assertEqualsWithDelta([0.0, 50.0, 100.0], [$cumulative[0]['height'], $cumulative[60]['height'], $cumulative[120]['height']], 1e-6);
    }

    /** Where a leaf is not chosen: for a number of lines from 5 to 25, two times the root of n. */
    public function test_the_lines_of_a_stem_follow_the_number_of_values(): void
    {
        $chosen = static fn(int ...$values): array => [(string) ($display = StemLeaf::of(new Observations(ValueCounts::ofUnorderedIntegers(array_values($values), 0), 0), new Basis()))->leafUnit, $display->linesPerStem, count($display->lines)];

        // 2·√10 ≈ 6 lines wanted: stems of ten on 10 lines, or of a hundred on five lines each (20 wide) 5 lines.
        self::assertSame(['10', 5, 5], $chosen(...range(0, 99, 10)));
        // 2·√100 = 20: stems of ten on two lines each.
        self::assertSame(['1', 2, 20], $chosen(...range(0, 99)));
        // Twenty stems, −0 and 0 among them.
        self::assertSame(['1', 1, 20], $chosen(...range(-99, 99)));
        self::assertSame(['1', 5, 5], $chosen(0, 3, 5, 8));
        self::assertSame(['1', 1, 1], array_slice($chosen(7, 7), 0, 3));
    }

    public function test_a_leaf_can_be_two_places_coarser_than_the_range_and_as_fine_as_the_data_in_four_hundred_lines(): void
    {
        $exponents = static fn(string ...$texts): array => StemLeaf::exponents(new Observations(Numbers::ofTexts(array_values($texts)), 0));

        self::assertSame([0], $exponents());
        self::assertSame([-1, 0, 1, 2], $exponents('1.5', '3'));
        self::assertSame([0, 1, 2, 3, 4], $exponents('0', '5', '100'));
        // From 0 to 3,999 there are 400 stems of ten, to 4,000 one more.
        self::assertSame([0, 1, 2, 3, 4, 5], $exponents('0', '1', '3999'));
        self::assertSame([1, 2, 3, 4, 5], $exponents('0', '1', '4000'));
        // Either side of zero has a stem of its own there.
        self::assertSame([0, 1, 2, 3, 4, 5], $exponents('-1999', '1', '1999'));
        self::assertSame([1, 2, 3, 4, 5], $exponents('-1999', '1', '2000'));
    }

    public function test_beyond_the_outer_fence_is_apart_and_on_it_is_not(): void
    {
        // Quartiles 2 and 4 by halves, outer fences −4 and 10.
        $display = static fn(string ...$texts): StemLeaf => StemLeaf::of(new Observations(Numbers::ofTexts(array_values($texts)), 0), new Basis(), 0, apart: true);
        $apart = static fn(StemLeaf $display): array => array_map(static fn(array $entries): array => array_map(static fn(array $entry): string => (string) $entry['value'], $entries), [$display->low, $display->high]);

        self::assertSame([[], []], $apart($display('-4', '2', '2', '3', '4', '4', '10')));
        self::assertSame([['-5'], ['11']], $apart($display('-5', '2', '2', '3', '4', '4', '11')));
        self::assertSame(5, array_sum(array_column($display('-5', '2', '2', '3', '4', '4', '11')->lines, 'count')));
    }

    public function test_one_leaf_stands_for_one_value_up_to_a_thousand(): void
    {
        $perLeaf = static fn(int $n): int => StemLeaf::of(new Observations(ValueCounts::ofUnorderedIntegers(range(1, $n), 0), 0), new Basis())->perLeaf;

        self::assertSame([1, 2, 2, 3], array_map($perLeaf, [1000, 1001, 2000, 2001]));
    }

    public function test_up_to_five_hundred_classes_can_be_asked_for(): void
    {
        $observations = new Observations(ValueCounts::ofUnorderedIntegers(range(0, 500), 0), 0);
        self::assertSame(500, ClassChoice::ofWord('0:1')->classes($observations, ClassEdge::Left)->number);
        self::assertSame(500, ClassChoice::ofWord(implode(',', range(0, 500)))->classes($observations, ClassEdge::Left)->number);
        foreach (['-1:1', '0:0.998', implode(',', range(0, 501)), '0:0', '0:-1', '1', '5,5', 'x', '1:2:3'] as $word) {
            try {
                ClassChoice::ofWord($word)->classes($observations, ClassEdge::Left);
                self::fail("{$word} was taken");
            } catch (NotUnderstood) {
                $this->addToAssertionCount(1);
            }
        }
        $wholes = ClassChoice::ofWord('-0.5:1')->classes(new Observations(Numbers::of('4', '4'), 0), ClassEdge::Left);
        self::assertTrue($wholes->holdOneValueEach);
        self::assertFalse(ClassChoice::ofWord('-0.5:1')->classes(new Observations(Numbers::of('4.5', '4.5'), 0), ClassEdge::Left)->holdOneValueEach);
    }

    /** @param list<int> $values */
    private static function bars(array $values, string $word, ?string $zoom): Bars
    {
        $bars = Bars::of(new Observations(ValueCounts::ofUnorderedIntegers($values, 0), 0), [], new Basis(), new StackOptions(
            ClassChoice::ofWord($word),
            zoom: $zoom === null ? null : array_map(BigDecimal::of(...), explode(',', $zoom)),
        ));
        self::assertNotNull($bars);

        return $bars;
    }
}
