<?php

declare(strict_types=1);

namespace Tests\App\Drawing;

use App\Drawing\Axes;
use App\Drawing\Faces;
use App\Drawing\Palette;
use App\Drawing\Scale;
use App\Drawing\Scene;
use App\Drawing\Spread;
use App\Drawing\StackLayout;
use App\Drawing\Svg;
use DOMDocument;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

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
        $scene = new Scene(200.0, 100.0, 'a "name" & more');
        $scene->text(1.23456, -0.001, "<b>\u{8}</b> & \"c\"", ['fill' => 'ink']);
        $text = Svg::of($scene);
        $document = new DOMDocument();

        self::assertTrue($document->loadXML($text));
        self::assertSame("<b>\u{FFFD}</b> & \"c\"", $document->getElementsByTagName('text')[0]?->textContent);
        self::assertStringContainsString('x="1.23" y="0"', $text);
        self::assertStringNotContainsString('class=', $text);
    }

    public function test_a_file_has_the_caption_below_and_its_title_above(): void
    {
        $scene = new Scene(200.0, 100.0, 'x', [], 'How to read it.');
        $document = new DOMDocument();
        self::assertTrue($document->loadXML(Svg::of($scene, Palette::named('dark'), 'Hives & more')));
        [$caption, $title] = [$document->getElementsByTagName('text')[0], $document->getElementsByTagName('text')[1]];

        self::assertSame(['How to read it.', 'Hives & more'], [$caption?->textContent, $title?->textContent]);
        self::assertSame('-16 -34 216 156', $document->documentElement?->getAttribute('viewBox'));
        self::assertGreaterThan(100, (float) $caption?->getAttribute('y'));
        self::assertLessThan(0, (float) $title?->getAttribute('y'));
        self::assertSame([Palette::named('dark')->ink('soft'), Palette::named('dark')->ink('ink')], [$caption?->getAttribute('fill'), $title?->getAttribute('fill')]);
    }

    public function test_a_pdf_gets_the_same_faces_as_files_without_compression(): void
    {
        preg_match_all('/font-family:"([^"]+)"/', Faces::rules(), $small);
        self::assertSame(10, preg_match_all('/font-family:"([^"]+)";src:url\(([a-z0-9-]+\.ttf)\)format\("truetype"\);font-(weight:[0-9]+|style:italic)\}/', Faces::rulesForPdf(), $plain));
        self::assertSame(array_values(array_unique($small[1])), array_values(array_unique($plain[1])));
        foreach ($plain[2] as $i => $file) {
            $bytes = (string) file_get_contents(Faces::address() . $file);
            self::assertSame("\x00\x01\x00\x00", substr($bytes, 0, 4), $file);
            self::assertStringNotContainsString('fvar', substr($bytes, 0, 400), 'one weight');
            $table = (array) unpack('Nat', $bytes, (int) strpos($bytes, 'OS/2') + 8);
            // Each says its weight itself, as the rule does.
            self::assertSame((array) unpack('nweight', $bytes, is_int($table['at']) ? $table['at'] + 4 : 0), ['weight' => str_starts_with($plain[3][$i], 'weight') ? (int) substr($plain[3][$i], 7) : 400], $file);
        }
    }

    public function test_groups_share_eight_hues_and_overall_has_its_own(): void
    {
        foreach (['light', 'dark', 'print'] as $name) {
            $palette = Palette::named($name);
            self::assertCount(9, array_unique(array_map(static fn(int $lane): string => $palette->ink("lane-{$lane}"), range(0, 8))), $name);
            self::assertSame($palette->ink('lane-1'), $palette->ink('lane-9'));
        }
        self::assertCount(8, array_unique(array_map(static fn(int $lane): string => Palette::dash($lane) ?? '', range(1, 8))));
        self::assertSame('#000000', Palette::named('print')->ink('ink'));
    }

    public function test_the_palettes_are_those_of_the_page(): void
    {
        $css = (string) file_get_contents(__DIR__ . '/../../../resources/css/app.css');
        foreach (['light' => '/:root\s*\{([^}]*)\}/', 'dark' => '/\[data-theme=.dark.\]\s*\{([^}]*)\}/'] as $name => $pattern) {
            self::assertSame(1, preg_match($pattern, $css, $rule), $name);
            preg_match_all('/--([a-z0-9-]+):\s*(#[0-9a-f]{6})/', $rule[1], $found, PREG_SET_ORDER);
            $page = array_column($found, 2, 1);
            foreach (Palette::ALL[$name] as $ink => $colour) {
                self::assertSame($page[$ink] ?? null, $colour, "{$name} {$ink}");
            }
        }
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
}
