<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\Bars;
use RowTally\Core\Plots\ClassChoice;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Plots\MicroHistogram;
use RowTally\Core\Plots\StackOptions;
use RowTally\Core\Values\Resolution;
use RowTally\Core\Values\ValueCounts;

/** Whole numbers, quarters, tens: classes hold equally many of the values that are possible. */
final class CoarseClassesTest extends TestCase
{
    /** @return iterable<string, array{int, int, int, int}> step and first value in units of the last decimal, how many steps, decimals */
    public static function grids(): iterable
    {
        foreach ([[1, 0], [1, 1], [25, 2], [5, 1], [2, 0], [3, 0], [7, 0], [10, 0], [100, 0], [4, 0]] as [$step, $decimals]) {
            foreach ([3, 22, 25, 26, 40, 99, 198] as $steps) {
                foreach ([0, 1, -17] as $first) {
                    yield "{$steps} steps of {$step} from {$first}, {$decimals} decimals" => [$step, $first, $steps, $decimals];
                }
            }
        }
    }

    #[DataProvider('grids')]
    public function test_every_class_holds_equally_many_possible_values(int $step, int $first, int $steps, int $decimals): void
    {
        // Each possible value once: the counts are how many of them a class holds.
        $observations = new Observations(ValueCounts::ofUnorderedIntegers(array_map(static fn(int $i): int => $first + $i * $step, range(0, $steps)), $decimals), 0);
        foreach (ClassEdge::cases() as $closed) {
            foreach (['', 'sturges', 'scott', 'freedman-diaconis'] as $rule) {
                $classes = ClassChoice::ofWord($rule)->classes($observations, $closed);
                $histogram = Histogram::of($observations->values, $classes, $closed);

                self::assertSame($steps + 1, array_sum($histogram->counts));
                self::assertTrue($classes->width->remainder(BigDecimal::ofUnscaledValue($step, $decimals))->isZero());
                // Only where the values end may the outermost classes have room for more.
                $inner = array_slice($histogram->counts, 1, -1);
                self::assertCount(min(1, count($inner)), array_unique($inner), "{$rule}, {$closed->value}");
                foreach ($inner === [] ? [] : [$histogram->counts[0], $histogram->counts[count($histogram->counts) - 1]] as $outer) {
                    self::assertLessThanOrEqual($inner[0], $outer, "{$rule}, {$closed->value}");
                }
                if ($rule === '' && $steps <= 25) {
                    self::assertTrue($classes->holdOneValueEach);
                    self::assertCount($steps + 1, $classes->ticks());
                }
                $bars = Bars::of($observations, [], new Basis(classEdge: $closed), new StackOptions(ClassChoice::ofWord($rule)));
                self::assertNull($bars?->possible);
            }
        }
        self::assertCount(1, array_unique(array_slice(MicroHistogram::of($observations->values), 1, -1) ?: [1]));
    }

    public function test_whole_numbers_are_labelled_by_themselves(): void
    {
        $observations = self::wholes(0, 22);
        $bars = Bars::of($observations, [], new Basis(), new StackOptions());

        self::assertNotNull($bars);
        self::assertSame([-0.5, 22.5], [$bars->axis->from, $bars->axis->to]);
        self::assertSame(array_map(strval(...), range(0, 22)), array_column($bars->ticks(), 'text'));
        self::assertSame('7', $bars->classes->labels(ClassEdge::Left)[7]);
        self::assertSame([null, '0:2'], [$bars->narrower, $bars->wider]);
    }

    public function test_classes_of_one_value_stay_so_when_they_are_typed(): void
    {
        $classes = static fn(string $word): bool => ClassChoice::ofWord($word)->classes(self::wholes(0, 22), ClassEdge::Left)->holdOneValueEach;

        self::assertSame([true, true, false, false], array_map($classes, ['-0.5:1', '3.5:1', '0:1', '-0.5:2']));
    }

    public function test_a_width_that_mixes_unequally_many_possible_values_says_so(): void
    {
        $possible = static fn(string $word, ClassEdge $closed): ?array => Bars::of(self::wholes(0, 22), [], new Basis(classEdge: $closed), new StackOptions(ClassChoice::ofWord($word)))?->possible;

        self::assertSame([2, 3], $possible('0:2.5', ClassEdge::Left));
        self::assertSame([2, 3], $possible('0:2.5', ClassEdge::Right));
        self::assertNull($possible('0:5', ClassEdge::Left));
        // 0, 2, …, 22: the last class, closed at both ends, has one more.
        self::assertSame([2, 3], $possible('0:2', ClassEdge::Left));
        self::assertNull(Bars::of(self::wholes(0, 400), [], new Basis(), new StackOptions(ClassChoice::ofWord('0:2.5')))?->possible, 'fine values');
    }

    public function test_the_next_width_holds_equally_many_too(): void
    {
        $next = static fn(string $word, int $last): array => [($bars = Bars::of(self::wholes(0, $last), [], new Basis(), new StackOptions(ClassChoice::ofWord($word))))?->narrower, $bars?->wider];

        self::assertSame(['0:2', '0:10'], $next('0:5', 90));
        self::assertSame(['-0.5:1', '0:5'], $next('0:2', 22));
        self::assertSame(['0:50', '0:200'], $next('0:100', 900));
    }

    public function test_tiny_units_have_narrower_classes_too(): void
    {
        $observations = new Observations(ValueCounts::ofUnorderedDoubles(array_map(static fn(int $i): float => sqrt($i) * 1e-9, range(1, 300))), 0);
        $bars = Bars::of($observations, [], new Basis(), new StackOptions(ClassChoice::ofWord('0:1e-9')));
        self::assertSame(['0:0.0000000005', '0:0.000000002'], [$bars?->narrower, $bars?->wider]);
        self::assertTrue(ClassChoice::ofWord('0:0.0000000005')->classes($observations, ClassEdge::Left)->width->isEqualTo('5e-10'));
    }

    public function test_the_step_of_a_few_values_is_not_guessed(): void
    {
        self::assertSame('0.1', (string) Resolution::of(ValueCounts::ofUnorderedIntegers([120, 124, 128], 1))?->step);
        self::assertSame('0.4', (string) Resolution::of(ValueCounts::ofUnorderedIntegers([120, 124, 128, 132], 1))?->step);
        self::assertNull(Resolution::of(ValueCounts::ofUnorderedIntegers([5, 5], 1)));
        self::assertNull(Resolution::of(ValueCounts::ofUnorderedIntegers(range(0, 200), 1)));
        self::assertSame(199, Resolution::of(ValueCounts::ofUnorderedIntegers(range(0, 199), 1))?->steps);
    }

    private static function wholes(int $first, int $last): Observations
    {
        return new Observations(ValueCounts::ofUnorderedIntegers(range($first, $last), 0), 0);
    }
}
