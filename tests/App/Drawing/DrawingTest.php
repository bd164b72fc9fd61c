<?php

declare(strict_types=1);

namespace Tests\App\Drawing;

use App\Drawing\Axes;
use App\Drawing\Geometry;
use App\Drawing\Palette;
use App\Drawing\Scale;
use App\Drawing\Spread;
use App\Drawing\StackLayout;
use App\Drawing\Svg;
use DOMDocument;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UnexpectedValueException;

/** The small parts that all pictures share. */
final class DrawingTest extends TestCase
{
    public function test_a_scale_is_a_straight_line_in_either_direction(): void
    {
        $up = new Scale(0, 50, 300, 10);

        self::assertSame([300.0, 155.0, 10.0, 329.0], array_map($up->at(...), [0.0, 25.0, 50.0, -5.0]));
        self::assertSame(7.0, (new Scale(3, 3, 7, 9))->at(3));
    }

    /** @return iterable<string, array{list<float>, list<float>, float, float, list<float>}> wanted, widths, ends, where they come to stand */
    public static function names(): iterable
    {
        yield 'far apart: nothing moves' => [[10.0, 50.0], [10.0, 10.0], 0.0, 100.0, [10.0, 50.0]];
        yield 'two on one place: each steps half aside' => [[50.0, 50.0], [10.0, 20.0], 0.0, 100.0, [42.5, 57.5]];
        yield 'at an end: the other goes all the way' => [[98.0, 99.0], [10.0, 10.0], 0.0, 100.0, [85.0, 95.0]];
        yield 'a block that grows into its neighbour takes it along' => [[20.0, 21.0, 30.0], [10.0, 10.0, 10.0], 0.0, 100.0, [13.67, 23.67, 33.67]];
        yield 'none' => [[], [], 0.0, 100.0, []];
    }

    /**
     * @param list<float> $wanted
     * @param list<float> $widths
     * @param list<float> $stand
     */
    #[DataProvider('names')]
    public function test_names_step_aside_no_further_than_they_must(array $wanted, array $widths, float $left, float $right, array $stand): void
    {
        self::assertEqualsWithDelta($stand, Spread::apart($wanted, $widths, $left, $right), 0.01);
    }

    public function test_names_never_touch_nor_leave_while_there_is_room(): void
    {
        mt_srand(11);
        for ($round = 0; $round < 200; ++$round) {
            $widths = array_map(static fn(): float => (float) mt_rand(5, 40), range(1, mt_rand(1, 8)));
            $wanted = array_map(static fn(): float => mt_rand(0, 4000) / 10, $widths);
            sort($wanted);
            $places = Spread::apart($wanted, $widths, 0, 400);
            $end = 0.0;
            foreach ($places as $i => $place) {
                self::assertGreaterThanOrEqual($end - 1e-9, $place - $widths[$i] / 2);
                $end = $place + $widths[$i] / 2;
            }
            self::assertLessThanOrEqual(400 + 1e-9, $end);
        }
    }

    public function test_ticks_are_labelled_as_often_as_there_is_room(): void
    {
        $ticks = array_map(static fn(int $at): array => ['at' => (float) $at, 'text' => (string) $at], range(0, 100, 10));

        // "100" is some 30 pixels wide with the space beside it.
        self::assertSame([1, 2, 4], [Axes::every($ticks, 5), Axes::every($ticks, 2), Axes::every($ticks, 0.8)]);
        self::assertSame(1, Axes::every([['at' => 1.0, 'text' => 'alone']], 0.01));
    }

    public function test_what_is_written_is_safe_and_short(): void
    {
        $svg = new Svg(200, 100, 'a "name" & more');
        $svg->text(1.23456, -0.001, "<b>\u{8}</b> & \"c\"", ['class' => null, 'fill' => Palette::INK]);
        $text = $svg->document();
        $document = new DOMDocument();

        self::assertTrue($document->loadXML($text));
        self::assertSame("<b>\u{FFFD}</b> & \"c\"", $document->getElementsByTagName('text')[0]?->textContent);
        self::assertStringContainsString('x="1.23" y="0"', $text);
        self::assertStringNotContainsString('class=', $text);
    }

    public function test_groups_share_eight_hues_and_overall_has_its_own(): void
    {
        self::assertCount(9, array_unique(array_map(Palette::lane(...), range(0, 8))));
        self::assertSame(Palette::lane(1), Palette::lane(9));
        self::assertSame([null, '7 3'], [Palette::dash(1), Palette::dash(6)]);
    }

    public function test_lanes_lie_below_one_another_over_the_axis(): void
    {
        $layout = StackLayout::of(760, 3, false);
        $y = 0.0;
        foreach ($layout->lanes as $lane) {
            self::assertGreaterThan($y, $lane['barsTop']);
            self::assertGreaterThan($lane['barsTop'], $lane['barsBase']);
            $y = $lane['boxMiddle'] + StackLayout::BOX / 2;
        }
        self::assertGreaterThan($y, $layout->axisTop);
        self::assertSame([250.0, 158.0, 250.0], array_map(static fn(StackLayout $own): float => $own->lanes[0]['barsBase'] - $own->lanes[0]['barsTop'], [StackLayout::of(760, 1, false), $layout, StackLayout::of(760, 3, true)]));
        self::assertSame([88.0, 108.0], [StackLayout::of(400, 1, false)->left, $layout->left]);
    }

    public function test_a_geometry_of_another_shape_is_no_geometry(): void
    {
        $geometry = Geometry::ofJson('{"number": 1.5, "text": "a", "parts": [{"is": true}], "points": [[1, 2]]}');

        self::assertSame([1.5, 'a', null, true, [[1.0, 2.0]]], [$geometry->number('number'), $geometry->text('text'), $geometry->partOrNull('none'), $geometry->parts('parts')[0]->is('is'), $geometry->points('points')]);
        $this->expectException(UnexpectedValueException::class);
        $geometry->number('text');
    }
}
