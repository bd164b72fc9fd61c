<?php

declare(strict_types=1);

namespace Tests\Core\Pathological;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\Range;
use RowTally\Core\Figures\ShareWithinDeviations;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\AlignedStack;
use RowTally\Core\Plots\AutomaticClasses;
use RowTally\Core\Plots\ClassChoice;
use RowTally\Core\Plots\Crosshair;
use RowTally\Core\Plots\DotPlot;
use RowTally\Core\Plots\MicroHistogram;
use RowTally\Core\Plots\NormalQq;
use RowTally\Core\Plots\OrderedStrip;
use RowTally\Core\Plots\StackOptions;
use RowTally\Core\Plots\StemLeaf;
use RowTally\Core\Values\ValueCounts;

/** The smallest, the largest and the strangest doubles: every figure has a value or a reason, and every picture can be written down. */
final class EdgesOfDoublesTest extends TestCase
{
    /** @return iterable<string, array{list<float>}> */
    public static function values(): iterable
    {
        yield 'subnormal' => [[2.5e-309, 5e-324, 1e-323]];
        yield 'subnormal and equal' => [[5e-324, 5e-324]];
        yield 'subnormal beside zero' => [[0.0, 5e-324, 0.0]];
        yield 'from one end to the other' => [[1e308, -1e308, 0.0]];
        yield 'the largest there are' => [[PHP_FLOAT_MAX, PHP_FLOAT_MAX, -PHP_FLOAT_MAX, PHP_FLOAT_MAX]];
        yield 'the largest there are, all equal' => [[PHP_FLOAT_MAX, PHP_FLOAT_MAX]];
        yield 'large and next to one another' => [[1e17, 1e17 + 16, 1e17 + 32, 1e17 + 64]];
        yield 'large and equal' => [[1.2345e25, 1.2345e25]];
        yield 'beside one another in the last bit' => [[0.1, 0.1 + PHP_FLOAT_EPSILON / 8, 0.3]];
        yield 'a hundred magnitudes' => [[1e-50, 1e50, 1.0, -1e20]];
        yield 'one' => [[1e-320]];
    }

    /** @param list<float> $values */
    #[DataProvider('values')]
    public function test_every_figure_has_a_value_or_a_reason_and_every_picture_finite_places(array $values): void
    {
        $observations = new Observations(ValueCounts::ofUnorderedDoubles($values), 0);
        foreach (SampleOrPopulation::cases() as $takenAs) {
            $basis = new Basis($takenAs);
            foreach (Catalogue::all() as $statistic) {
                $figure = $statistic->of($observations, $basis);
                self::assertTrue(($figure->value === null) !== ($figure->reason === null), $statistic->key());
                if ($figure->number() !== null) {
                    self::assertNotSame([], $statistic->steps($observations, $basis)->lines, $statistic->key());
                }
            }
            $shares = array_map(static fn(int $k): int|float|null => (new ShareWithinDeviations($k))->of($observations, $basis)->number(), [1, 2, 3]);
            self::assertSame($shares, array_map(static fn(int|float|null $share): int|float|null => $share === null ? null : max($share, $shares[0]), $shares), 'wider holds no fewer');
        }
        foreach (['', 'sturges', 'scott', 'freedman-diaconis'] as $rule) {
            $options = new StackOptions(ClassChoice::ofWord($rule), withNormalCurve: true);
            $stack = AlignedStack::of($observations, [$observations], new Basis(), $options);
            if ($stack !== null) {
                self::assertLessThan($stack->bars->axis->to, $stack->bars->axis->from);
                self::assertNotSame('', json_encode([$stack->bars->axis, $stack->bars->heights, $stack->bars->curves, $stack->bars->classes->edges(), $stack->boxes, $stack->markers, $stack->dots], JSON_THROW_ON_ERROR));
            }
            self::assertNotSame('', json_encode(Crosshair::of($observations, new Basis(), $options), JSON_THROW_ON_ERROR));
        }
        self::assertNotSame('', json_encode([NormalQq::of($observations, new Basis()), OrderedStrip::of($observations, new Basis()), DotPlot::of([$observations])], JSON_THROW_ON_ERROR));
        self::assertNotSame([], StemLeaf::of($observations, new Basis())->lines);
        self::assertSame(count($values), array_sum(MicroHistogram::of($observations->values)));
        self::assertGreaterThan(0, AutomaticClasses::few($observations, ClassEdge::Left)->number);
    }

    public function test_a_figure_that_a_double_holds_is_told(): void
    {
        self::assertSame(2.2e-308, (new Range())->of(new Observations(ValueCounts::ofUnorderedDoubles([0.0, 2.2e-308]), 0), new Basis())->number());
    }

    public function test_equal_values_lie_within_one_standard_deviation_however_they_are_held(): void
    {
        foreach ([0.12345678901234568, 0.1, 1e300, 5e-324, 1 / 3] as $value) {
            self::assertSame(1.0, (new ShareWithinDeviations(1))->of(new Observations(ValueCounts::ofUnorderedDoubles([$value, $value]), 0), new Basis())->number(), json_encode($value, JSON_THROW_ON_ERROR));
        }
    }

    public function test_the_line_of_a_qq_plot_does_not_cancel_on_a_large_offset(): void
    {
        $slope = static fn(int $offset): float => NormalQq::of(new Observations(ValueCounts::ofUnorderedIntegers(array_map(static fn(int $i): int => 10 * $offset + $i, range(0, 30)), 1), 0), new Basis())->line['slope'] ?? 0.0;

        self::assertSame($slope(0), $slope(1_000_000_000_000));
    }
}
