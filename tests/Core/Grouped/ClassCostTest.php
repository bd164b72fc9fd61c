<?php

declare(strict_types=1);

namespace Tests\Core\Grouped;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Grouped\ClassCost;
use RowTally\Core\Grouped\ClassTable;
use RowTally\Core\Grouped\GroupedFigures;
use RowTally\Core\Plots\Classes;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Values\Exact;
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

    public function test_machine_integers_give_what_the_figures_of_classes_give(): void
    {
        mt_srand(5);
        for ($i = 0; $i < 40; ++$i) {
            // Beyond 2^61 in the last decimal place there is only the plain way.
            $scale = 10 ** mt_rand(0, 19);
            $values = array_map(static fn(): string => sprintf('%.0f', mt_rand(-50, 50) * $scale), range(1, mt_rand(3, 40)));
            $observations = new Observations(Numbers::of(...$values), 0);
            $classes = Classes::ofEdges(array_map(static fn(int $edge): BigDecimal => BigDecimal::of($edge)->multipliedBy(sprintf('%.0f', $scale)), [-51, -20, -7, 0, 3, 51]));
            $histogram = Histogram::of($observations->values, $classes, ClassEdge::Left);
            $table = new GroupedFigures(ClassTable::between($classes, array_map(BigRational::of(...), $histogram->counts)));
            foreach (TakenAs::cases() as $takenAs) {
                $variance = $table->variance($takenAs);
                self::assertSame(
                    [Exact::toFloat($table->mean() ?? BigRational::zero()), $variance === null ? null : Exact::squareRoot($variance), Exact::toFloat($table->quantile(BigRational::nd(1, 2)) ?? BigRational::zero())],
                    array_map(static fn(ClassCost $cost): mixed => $cost->fromClasses->value, ClassCost::of($observations, $histogram, $takenAs) ?? []),
                );
            }
        }
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
