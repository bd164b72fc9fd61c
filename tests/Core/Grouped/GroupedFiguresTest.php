<?php

declare(strict_types=1);

namespace Tests\Core\Grouped;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Grouped\ClassRow;
use RowTally\Core\Grouped\ClassTable;
use RowTally\Core\Grouped\GroupedFigures;
use RowTally\Core\Grouped\StatedLimits;
use RowTally\Core\Parsing\ClassLabel;
use RowTally\Core\Values\Exact;
use Tests\Core\Support\ReferenceCases;

final class GroupedFiguresTest extends TestCase
{
    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'classesCases')]
    public function test_classes_and_figures_are_those_of_the_reference_to_the_last_bit(array $case): void
    {
        $text = static fn(int|float|null $number): ?string => $number === null ? null : (is_int($number) ? (string) $number : json_encode($number, JSON_THROW_ON_ERROR));
        $classes = array_map(static fn(array $class): ClassLabel => ClassLabel::of("{$class['low']}–{$class['high']}", $class['low'] === null ? null : BigDecimal::of($text($class['low'])), $class['high'] === null ? null : BigDecimal::of($text($class['high'])), false), $case['input']['classes']);
        $table = ClassTable::of($classes, array_map(static fn(int|float $count): BigRational => BigRational::of((string) $text($count)), $case['input']['counts']));
        $figures = new GroupedFigures($table);
        $expected = $case['expected'];
        $double = static fn(?BigRational $ratio): ?float => $ratio === null ? null : Exact::toFloat($ratio);

        self::assertSame($case['input']['limits'], $table->limits->value);
        self::assertSame($expected['unit'], $double($table->unit));
        foreach ($expected['classes'] as $i => $class) {
            $row = $table->rows[$i];
            self::assertSame([$class['lower_boundary'], $class['upper_boundary'], $class['width'], $class['midpoint'], $class['count']], array_map($double, [$row->lower, $row->upper, $row->width(), $row->midpoint, $row->count]));
        }
        self::assertSame([$expected['n'], $expected['sum'], $expected['mean']], array_map($double, [$figures->n(), $figures->sum(), $figures->mean()]));
        foreach (SampleOrPopulation::cases() as $takenAs) {
            $variance = $figures->variance($takenAs);
            self::assertNotNull($variance);
            self::assertSame($expected['variance'][$takenAs->value], $double($variance));
            self::assertSame($expected['sd'][$takenAs->value], Exact::squareRoot($variance));
        }
        self::assertSame($expected['modal_class'], $figures->modalClasses());
        self::assertSame($expected['modal_class_by_density'], $figures->modalClasses(true));
        self::assertSame($expected['median'], $double($figures->quantile(BigRational::nd(1, 2))));
        self::assertSame([$expected['quartiles']['q1'], $expected['quartiles']['q3']], [$double($figures->quantile(BigRational::nd(1, 4))), $double($figures->quantile(BigRational::nd(3, 4)))]);
        foreach ($expected['percentiles'] as $percent => $value) {
            self::assertSame((float) $value, $double($figures->quantile(BigRational::nd($percent, 100))), "percentile {$percent}");
        }
        if ($expected['open_class'] !== null) {
            $open = $table->rows[$expected['open_class']['index']];
            self::assertSame([true, $expected['open_class']['assumed_high']], [$open->isOpen, $double($open->high)]);
        }
    }

    public function test_completed_units_reach_to_the_next_class(): void
    {
        $table = self::table(['12-17' => '3', '18-23' => '1', '24+' => '2'], StatedLimits::Completed);

        self::assertSame([['12', '18', '15'], ['18', '24', '21'], ['24', '30', '27']], array_map(static fn(ClassRow $row): array => array_map(strval(...), [$row->lower, $row->upper, $row->midpoint]), $table->rows));
    }

    public function test_scaling_all_counts_leaves_mean_population_variance_and_quantiles(): void
    {
        $counts = ['0-4' => '2.5', '5-9' => '7', '10-19' => '3.25', '20-49' => '0.5'];
        $one = new GroupedFigures(self::table($counts));
        $thousand = new GroupedFigures(self::table(array_map(static fn(string $count): string => (string) BigDecimal::of($count)->multipliedBy(1000), $counts)));
        foreach (['mean', 'interpolatedMode'] as $figure) {
            self::assertEquals((string) $one->{$figure}(), (string) $thousand->{$figure}());
        }
        self::assertSame((string) $one->variance(SampleOrPopulation::Population), (string) $thousand->variance(SampleOrPopulation::Population));
        self::assertNotSame((string) $one->variance(SampleOrPopulation::Sample), (string) $thousand->variance(SampleOrPopulation::Sample));
        self::assertSame((string) $one->quantile(BigRational::nd(9, 10)), (string) $thousand->quantile(BigRational::nd(9, 10)));
    }

    public function test_adjacent_classes_made_one_keep_n_and_their_common_boundaries(): void
    {
        $apart = self::table(['0-4' => '2', '5-9' => '7', '10-14' => '3']);
        $merged = self::table(['0-4' => '2', '5-14' => '10']);

        self::assertTrue((new GroupedFigures($apart))->n()->isEqualTo((new GroupedFigures($merged))->n()));
        self::assertSame(['9/2', '29/2'], [(string) $merged->rows[1]->lower, (string) $merged->rows[1]->upper]);
    }

    public function test_open_classes_take_the_width_of_their_neighbour(): void
    {
        $table = self::table(['under 6' => '1', '6-11' => '2', '12-17' => '1', '18 and over' => '1']);

        self::assertSame([['0', '5'], ['18', '23']], array_map(static fn(int $i): array => [(string) $table->rows[$i]->low, (string) $table->rows[$i]->high], [0, 3]));
        self::assertSame([true, false, false, true], array_map(static fn(ClassRow $row): bool => $row->isOpen, $table->rows));
    }

    public function test_nothing_in_any_class_leaves_no_figure(): void
    {
        $figures = new GroupedFigures(self::table(['0-4' => '0', '5-9' => '0']));

        self::assertSame([null, null, null, [], null], [$figures->mean(), $figures->variance(SampleOrPopulation::Population), $figures->quantile(BigRational::nd(1, 2)), $figures->modalClasses(), $figures->interpolatedMode()]);
        self::assertNull((new GroupedFigures(self::table(['0-4' => '0.5', '5-9' => '0.5'])))->variance(SampleOrPopulation::Sample));
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function mistakes(): iterable
    {
        yield 'overlap' => [['0-5' => '1', '4-9' => '1'], 'The classes "0-5" and "4-9" overlap.'];
        yield 'the same limit twice among rounded ones' => [['0-5' => '1', '6-10' => '1', '10-15' => '1', ' 16-20' => '1'], 'overlap'];
        yield 'gap' => [['0-4' => '1', '5-9' => '1', '15-19' => '1'], 'Between the classes "5-9" and "15-19" lies a gap.'];
        yield 'gap between boundaries' => [['0-5' => '1', '5-10' => '1', '12-15' => '1'], 'Between the classes "5-10" and "12-15" lies a gap.'];
        yield 'backwards' => [['9-5' => '1'], 'The class "9-5" runs backwards'];
        yield 'only open ones' => [['under 5' => '1'], '"under 5" is open'];
    }

    /** @param array<string, string> $classes */
    #[DataProvider('mistakes')]
    public function test_mistakes_are_answered_with_the_labels(array $classes, string $sentence): void
    {
        $this->expectException(NotUnderstood::class);
        $this->expectExceptionMessage($sentence);
        self::table($classes, $sentence === 'overlap' ? StatedLimits::Rounded : null);
    }

    /** @param array<string, string> $counts by label */
    private static function table(array $counts, ?StatedLimits $limits = null): ClassTable
    {
        return ClassTable::of(
            array_map(static fn(string|int $label): ClassLabel => ClassLabel::parse((string) $label) ?? self::fail("{$label} is a class"), array_keys($counts)),
            array_map(static fn(string $count): BigRational => BigRational::of($count), array_values($counts)),
            new ClassReading($limits),
        );
    }
}
