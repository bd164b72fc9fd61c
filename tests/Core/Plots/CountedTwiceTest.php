<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Observations\Outliers;
use RowTally\Core\Plots\AutomaticClasses;
use RowTally\Core\Plots\BoxPlot;
use RowTally\Core\Plots\Classes;
use RowTally\Core\Plots\Crosshair;
use RowTally\Core\Plots\DotPlot;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\CrosshairWords;

/** What pictures count, counted once more by going through a list. All values are quarters, which doubles hold exactly. */
final class CountedTwiceTest extends TestCase
{
    /** @return iterable<string, array{list<int>, bool}> quarters, and whether they are held as doubles */
    public static function lists(): iterable
    {
        mt_srand(20261127);
        foreach (['a few' => [5, 12], 'many equal ones' => [200, 8], 'many different ones' => [300, 4000], 'two' => [2, 50]] as $name => [$number, $range]) {
            $quarters = array_map(static fn(): int => mt_rand(-$range, $range), range(1, $number));
            sort($quarters);
            yield "{$name}, decimals" => [$quarters, false];
            yield "{$name}, doubles" => [$quarters, true];
        }
        yield 'with values far out' => [[-900, ...array_fill(0, 12, 4), ...array_fill(0, 12, 8), 15, 16, 900], false];
        yield 'with values far out, doubles' => [[-900, ...array_fill(0, 12, 4), ...array_fill(0, 12, 8), 15, 16, 900], true];
    }

    /** @param list<int> $quarters */
    #[DataProvider('lists')]
    public function test_bars(array $quarters, bool $areDoubles): void
    {
        $observations = self::observations($quarters, $areDoubles);
        $low = BigDecimal::of($quarters[0])->dividedBy(4, 2);
        foreach (['1', '0.25', '3.5'] as $width) {
            $number = min(200, 1 + (int) floor(($quarters[count($quarters) - 1] - $quarters[0]) / 4 / (float) $width));
            $classes = new Classes($low, BigDecimal::of($width), $number);
            $edges = array_map(static fn(int $i): float => $quarters[0] / 4 + $i * (float) $width, range(0, $number));
            foreach (ClassEdge::cases() as $closed) {
                $histogram = Histogram::of($observations->values, $classes, $closed);
                $counts = array_fill(0, $number, 0);
                foreach ($quarters as $quarter) {
                    $at = self::classOf($quarter / 4, $edges, $closed);
                    if ($at !== null) {
                        ++$counts[$at];
                    }
                }
                self::assertSame($counts, $histogram->counts);
                self::assertSame(count($quarters), array_sum($counts) + $histogram->below + $histogram->above);
            }
        }
    }

    /** @param list<int> $quarters */
    #[DataProvider('lists')]
    public function test_automatic_classes_leave_nobody_out(array $quarters, bool $areDoubles): void
    {
        $observations = self::observations($quarters, $areDoubles);
        foreach (ClassEdge::cases() as $closed) {
            $histogram = Histogram::of($observations->values, AutomaticClasses::for($observations, $closed), $closed);
            self::assertSame([count($quarters), 0, 0], [array_sum($histogram->counts), $histogram->below, $histogram->above]);
            self::assertGreaterThan(0, $histogram->counts[0]);
            self::assertGreaterThan(0, $histogram->counts[count($histogram->counts) - 1]);
        }
    }

    /** @param list<int> $quarters */
    #[DataProvider('lists')]
    public function test_boxes_and_what_lies_beyond_them_by_every_rule(array $quarters, bool $areDoubles): void
    {
        $observations = self::observations($quarters, $areDoubles);
        foreach (QuartileRule::cases() as $rule) {
            $basis = new Basis(quartileRule: $rule);
            $quartiles = $observations->quartiles($rule);
            [$q1, $q3] = [Exact::toFloat($quartiles->q1) ?? NAN, Exact::toFloat($quartiles->q3) ?? NAN];
            $inside = array_values(array_filter($quarters, static fn(int $quarter): bool => $quarter / 4 >= $q1 - 1.5 * ($q3 - $q1) && $quarter / 4 <= $q3 + 1.5 * ($q3 - $q1)));
            $far = array_filter($quarters, static fn(int $quarter): bool => $quarter / 4 < $q1 - 3 * ($q3 - $q1) || $quarter / 4 > $q3 + 3 * ($q3 - $q1));
            $box = BoxPlot::of($observations, $basis);
            self::assertSame([(float) ($inside[0] / 4), (float) ($inside[count($inside) - 1] / 4)], [$box->whiskerLow, $box->whiskerHigh], $rule->value);
            self::assertSame(count($quarters) - count($inside), $box->outliers->total, $rule->value);
            $marked = array_filter(Outliers::every($observations, $basis), static fn(array $mark): bool => $mark['far']);
            self::assertSame(count($far), array_sum(array_column($marked, 'count')), $rule->value);
        }
    }

    /** @param list<int> $quarters */
    #[DataProvider('lists')]
    public function test_the_crosshair_counts_what_lies_below_it(array $quarters, bool $areDoubles): void
    {
        $crosshair = Crosshair::of(self::observations($quarters, $areDoubles), new Basis());
        self::assertNotNull($crosshair);
        foreach (range(0, count($crosshair->values) - 1, 25) as $place) {
            $at = (float) str_replace('−', '-', $crosshair->values[$place]);
            $below = count(array_filter($quarters, static fn(int $quarter): bool => $quarter / 4 < $at));
            self::assertEqualsWithDelta(100 * $below / count($quarters), (float) CrosshairWords::at($crosshair, $place)['percent'], 0.051);
        }
    }

    /** @param list<int> $quarters */
    #[DataProvider('lists')]
    public function test_dots_add_up_to_the_rows(array $quarters, bool $areDoubles): void
    {
        $dots = DotPlot::of([self::observations($quarters, $areDoubles)]);
        self::assertSame(count($quarters), array_sum($dots->lanes[0]['counts']));
        self::assertCount(count($dots->at), $dots->lanes[0]['counts']);
        self::assertLessThanOrEqual(DotPlot::HIGHEST, max($dots->lanes[0]['dots']));
        foreach ($dots->lanes[0]['dots'] as $i => $number) {
            self::assertSame((int) ceil($dots->lanes[0]['counts'][$i] / $dots->perDot), $number);
        }
    }

    /** @param list<float> $edges */
    private static function classOf(float $value, array $edges, ClassEdge $closed): ?int
    {
        $last = count($edges) - 2;
        for ($i = 0; $i <= $last; ++$i) {
            [$from, $to] = [$edges[$i], $edges[$i + 1]];
            $isIn = $closed === ClassEdge::Left
                ? $value >= $from && ($value < $to || ($i === $last && $value === $to))
                : $value <= $to && ($value > $from || ($i === 0 && $value === $from));
            if ($isIn) {
                return $i;
            }
        }

        return null;
    }

    /** @param list<int> $quarters */
    private static function observations(array $quarters, bool $areDoubles): Observations
    {
        return new Observations($areDoubles
            ? ValueCounts::ofUnorderedDoubles(array_map(static fn(int $quarter): float => (float) ($quarter / 4), $quarters))
            : ValueCounts::ofUnorderedIntegers(array_map(static fn(int $quarter): int => 25 * $quarter, $quarters), 2), 0);
    }
}
