<?php

declare(strict_types=1);

namespace Tests\Core\Grouped;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Grouped\ClassCost;
use RowTally\Core\Grouped\ClassTable;
use RowTally\Core\Grouped\GroupedFigures;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\Classes;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\Numbers;

final class ClassCostTest extends TestCase
{
    public function test_classes_alone_give_what_midpoints_and_straight_lines_give(): void
    {
        // By hand, 0 to under 10 three times and 10 to under 20 once: mean (3 × 5 + 15)/4, population variance 18.75, median 0 + 2/3 × 10.
        $costs = $this->costs(['1', '2', '3', '12'], 2);

        self::assertNotNull($costs);
        self::assertSame(['mean', 'sd', 'median'], array_column($costs, 'key'));
        self::assertEqualsWithDelta([7.5, sqrt(18.75), 20 / 3], array_map(static fn(ClassCost $cost): mixed => $cost->fromClasses->value, $costs), 1e-14);
        self::assertEqualsWithDelta([3.0, sqrt(18.75) - sqrt(19.25), 20 / 3 - 2.5], array_map(static fn(ClassCost $cost): float => $cost->difference(), $costs), 1e-14);
    }

    public function test_whole_numbers_and_ratios_tell_the_same(): void
    {
        mt_srand(20261125);
        $compared = 0;
        for ($try = 0; $try < 60; ++$try) {
            $countDecimals = $try % 3;
            $start = BigDecimal::ofUnscaledValue(mt_rand(-900, 900), mt_rand(0, 3));
            $width = BigDecimal::ofUnscaledValue(mt_rand(1, 400), mt_rand(0, 3));
            $classes = $try % 2 === 0 ? new Classes($start, $width, mt_rand(1, 12)) : Classes::ofEdges([$start, $start->plus($width), $start->plus($width->multipliedBy('3.125'))]);
            $counts = [];
            for ($i = 0; $i < 40; ++$i) {
                $counts[mt_rand((int) $start->toFloat() * 100 + 100, max((int) $start->toFloat() * 100 + 100, (int) floor($classes->end()->toFloat() * 100)))] = mt_rand(1, 30) * 10 ** $countDecimals;
            }
            $rows = new Observations(ValueCounts::ofCountedIntegers($counts, 2), 0, $countDecimals);
            $histogram = Histogram::of($rows->values, $classes, $try % 4 < 2 ? ClassEdge::Left : ClassEdge::Right);
            $costs = ClassCost::of($rows, $histogram, SampleOrPopulation::Sample);
            if ($costs === null) {
                continue;
            }
            $plain = new GroupedFigures(ClassTable::ofHistogram($histogram, $countDecimals));
            $fromClasses = array_combine(array_column($costs, 'key'), array_map(static fn(ClassCost $cost): mixed => $cost->fromClasses->value, $costs));

            self::assertNotNull($classes->unscaledEdges());
            self::assertSame(Exact::toFloat($plain->mean() ?? BigRational::zero()), $fromClasses['mean']);
            self::assertSame(Exact::toFloat($plain->quantile(BigRational::nd(1, 2)) ?? BigRational::zero()), $fromClasses['median']);
            self::assertSame(Figure::rootOf($plain->variance(SampleOrPopulation::Sample) ?? BigRational::zero())->value, $fromClasses['sd']);
            ++$compared;
        }
        self::assertGreaterThan(20, $compared);
    }

    public function test_huge_values_and_unequal_classes_are_exact_too(): void
    {
        $scale = '1' . str_repeat('0', 40);
        $observations = new Observations(Numbers::of("1{$scale}", "2{$scale}", "9{$scale}"), 0);
        $classes = Classes::ofEdges(array_map(static fn(string $edge): BigDecimal => BigDecimal::of($edge)->multipliedBy($scale), ['0', '40', '100']));
        $costs = ClassCost::of($observations, Histogram::of($observations->values, $classes, ClassEdge::Left), SampleOrPopulation::Population);

        // By hand, in units of that power: 20 twice and 70 once.
        self::assertNotNull($costs);
        self::assertEqualsWithDelta([110 / 3, 30.0], [($costs[0]->fromClasses->number() ?? 0) / 1e40, ($costs[2]->fromClasses->number() ?? 0) / 1e40], 1e-12);
    }

    public function test_nothing_is_compared_when_the_classes_do_not_tell_all_rows(): void
    {
        self::assertNull($this->costs(['1', '2', '12'], 1));
        self::assertNull($this->costs([], 1));
    }

    public function test_one_row_as_a_sample_has_no_standard_deviation_to_lose(): void
    {
        self::assertSame(['mean', 'median'], array_column($this->costs(['4'], 1, SampleOrPopulation::Sample) ?? [], 'key'));
    }

    /**
     * @param list<string> $values
     *
     * @return list<ClassCost>|null
     */
    private function costs(array $values, int $classes, SampleOrPopulation $takenAs = SampleOrPopulation::Population): ?array
    {
        $observations = new Observations(Numbers::of(...$values), 0);

        return ClassCost::of($observations, Histogram::of($observations->values, new Classes(BigDecimal::zero(), BigDecimal::of(10), $classes), ClassEdge::Left), $takenAs);
    }
}
