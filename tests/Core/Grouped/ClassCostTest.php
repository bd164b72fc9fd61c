<?php

declare(strict_types=1);

namespace Tests\Core\Grouped;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Grouped\ClassCost;
use RowTally\Core\Plots\Classes;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Values\Observations;
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

    public function test_huge_values_and_unequal_classes_are_exact_too(): void
    {
        $scale = '1' . str_repeat('0', 40);
        $observations = new Observations(Numbers::of("1{$scale}", "2{$scale}", "9{$scale}"), 0);
        $classes = Classes::ofEdges(array_map(static fn(string $edge): BigDecimal => BigDecimal::of($edge)->multipliedBy($scale), ['0', '40', '100']));
        $costs = ClassCost::of($observations, Histogram::of($observations->values, $classes, ClassEdge::Left), TakenAs::Population);

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
        self::assertSame(['mean', 'median'], array_column($this->costs(['4'], 1, TakenAs::Sample) ?? [], 'key'));
    }

    /**
     * @param list<string> $values
     *
     * @return list<ClassCost>|null
     */
    private function costs(array $values, int $classes, TakenAs $takenAs = TakenAs::Population): ?array
    {
        $observations = new Observations(Numbers::of(...$values), 0);

        return ClassCost::of($observations, Histogram::of($observations->values, new Classes(BigDecimal::zero(), BigDecimal::of(10), $classes), ClassEdge::Left), $takenAs);
    }
}
