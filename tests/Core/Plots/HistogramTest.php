<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\AutomaticClasses;
use RowTally\Core\Plots\Classes;
use RowTally\Core\Plots\ClassRule;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\Numbers;
use Tests\Core\Support\ReferenceCases;

final class HistogramTest extends TestCase
{
    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'histogramCases')]
    public function test_counts_and_edges_are_those_of_the_reference(array $case): void
    {
        $values = ReferenceCases::values($case['input']['values']);
        $expected = $case['expected'];
        $classes = new Classes(
            BigDecimal::of(json_encode($case['input']['start'])),
            BigDecimal::of(json_encode($case['input']['width'])),
            $case['input']['classes'] ?? count($expected['counts']),
        );
        $histogram = Histogram::of($values, $classes, ClassEdge::from($case['input']['closed']));

        self::assertSame($expected['counts'], $histogram->counts);
        self::assertSame($expected['edges'], $classes->edges());
        self::assertSame(
            [$expected['below'], $expected['above'], $expected['on_outer_edge']],
            [$histogram->below, $histogram->above, $histogram->onOuterEdge],
        );
    }

    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'histogramCases')]
    public function test_the_three_rules_ask_for_the_classes_of_the_reference(array $case): void
    {
        $observations = new Observations(ReferenceCases::values($case['input']['values']), 0);
        $expected = $case['expected']['auto'];

        self::assertSame($expected['sturges']['classes'], ClassRule::Sturges->number($observations));
        foreach (['scott' => ClassRule::Scott, 'freedman_diaconis' => ClassRule::FreedmanDiaconis] as $key => $rule) {
            self::assertSame($expected[$key]['classes'], $rule->number($observations), $key);
            self::assertEqualsWithDelta(1.0, $rule->width($observations) / $expected[$key]['width'], 1e-10, $key);
        }
    }

    /** @return iterable<string, array{list<string>, string, string, int}> */
    public static function automatic(): iterable
    {
        yield 'one value' => [['7.2'], '7.15', '0.1', 1];
        yield 'all equal, tens' => [['30', '30'], '29.5', '1', 1];
        yield 'a few whole numbers get a class each' => [['0', '1', '4'], '-0.5', '1', 5];
        yield 'negative whole numbers' => [['-3', '-1'], '-3.5', '1', 3];
        yield 'tenths, the largest on an edge' => [['0.1', '0.2', '0.3', '0.5'], '0.05', '0.1', 5];
        yield 'far apart' => [['-1e300', '1e300'], '-1' . str_repeat('0', 300), '1' . str_repeat('0', 300), 2];
        yield 'tiny' => [['1e-300', '3e-300', '5e-300'], '0.' . str_repeat('0', 300) . '5', '0.' . str_repeat('0', 299) . '1', 5];
    }

    /** @param list<string> $texts */
    #[DataProvider('automatic')]
    public function test_automatic_classes_have_round_edges_that_cover_every_value(array $texts, string $start, string $width, int $number): void
    {
        $values = Numbers::ofTexts($texts);
        $classes = AutomaticClasses::for(new Observations($values, 0), ClassEdge::Left);

        self::assertTrue($classes->start->isEqualTo($start), "start {$classes->start}");
        self::assertTrue($classes->width->isEqualTo($width), "width {$classes->width}");
        self::assertSame($number, $classes->number);
        foreach (ClassEdge::cases() as $edge) {
            self::assertSame($values->n(), array_sum(Histogram::of($values, $classes, $edge)->counts), $edge->value);
        }
    }

    /** Values that no decimals hold are compared as ratios: they fall as their decimals would. */
    public function test_doubles_on_an_edge_belong_to_the_side_that_is_closed(): void
    {
        $doubles = ValueCounts::ofDoubles([0.0, 0.5, 1.0, 1.5, 2.0, 3.0], [1, 2, 4, 8, 16, 32]);
        $classes = new Classes(BigDecimal::zero(), BigDecimal::one(), 3);

        $left = Histogram::of($doubles, $classes, ClassEdge::Left);
        self::assertSame([[3, 12, 48], 32, 0, 0], [$left->counts, $left->onOuterEdge, $left->below, $left->above]);
        $right = Histogram::of($doubles, $classes, ClassEdge::Right);
        self::assertSame([[7, 24, 32], 1, 0, 0], [$right->counts, $right->onOuterEdge, $right->below, $right->above]);
        $inner = Histogram::of($doubles, new Classes(BigDecimal::of('0.5'), BigDecimal::of('0.5'), 3), ClassEdge::Right);
        self::assertSame([[6, 8, 16], 2, 1, 32], [$inner->counts, $inner->onOuterEdge, $inner->below, $inner->above]);
    }
}
