<?php

declare(strict_types=1);

namespace Tests\App\Drawing;

use App\Drawing\Boxes;
use App\Drawing\BoxLook;
use App\Drawing\Geometry;
use App\Drawing\Spread;
use App\Drawing\StackLayout;
use App\Drawing\StemsPicture;
use DOMDocument;
use DOMElement;
use DOMXPath;
use PHPUnit\Framework\TestCase;

/** What each picture draws of a small geometry, and where: the numbers are those of the axis in pixels. */
final class PicturesTest extends TestCase
{
    /** From 0 to 100 on 500 pixels from 108 (names) to 608: five to a unit. */
    private const AXIS = '"axis": {"from": 0, "to": 100, "ticks": [{"at": 0, "text": "0"}, {"at": 50, "text": "50"}, {"at": 100, "text": "100"}]}';

    public function test_a_box_plot_stands_where_its_numbers_are(): void
    {
        $picture = self::boxes(new BoxLook(hasNumbers: true));
        self::assertStringStartsWith('M308 ', self::one($picture, '//*[@data-median]')->getAttribute('d'));
        self::assertStringStartsWith('M208 ', self::one($picture, '//*[@data-box]')->getAttribute('d'));
        self::assertStringStartsWith('M158 ', self::one($picture, '//*[@data-whisker="low"]')->getAttribute('d'));
        self::assertStringStartsWith('M458 ', self::one($picture, '//*[@data-whisker="high"]')->getAttribute('d'));
        self::assertStringStartsWith('M333 ', self::one($picture, '//*[@data-mean]')->getAttribute('d'));
        self::assertSame('558', self::one($picture, '//*[@data-outlier="near"]')->getAttribute('cx'));
        self::assertStringStartsWith('M608 ', self::one($picture, '//*[@data-outlier="far"]')->getAttribute('d'));
        self::assertSame(['10', '20', '40', '60', '100'], self::texts($picture, '//*[@data-lane="Overall"]//*[contains(@class, "halo")]'));
    }

    public function test_whiskers_to_the_extremes_leave_nothing_beyond_them(): void
    {
        $picture = self::boxes(new BoxLook(isToExtremes: true));
        self::assertStringStartsWith('M608 ', self::one($picture, '//*[@data-whisker="high"]')->getAttribute('d'));
        self::assertCount(0, self::all($picture, '//*[@data-outlier]'));
        self::assertCount(0, self::all($picture, '//*[contains(@class, "halo")]'), 'numbers only where they are wanted');
    }

    public function test_notches_narrow_the_box_at_its_median(): void
    {
        $plain = self::one(self::boxes(new BoxLook()), '//*[@data-box]')->getAttribute('d');
        $notched = self::one(self::boxes(new BoxLook(hasNotches: true)), '//*[@data-box]')->getAttribute('d');
        self::assertSame([3, 9], [substr_count($plain, 'L'), substr_count($notched, 'L')]);
        self::assertStringContainsString('L283 ', $notched, 'the lower end of the notch, 35');
        self::assertStringContainsString('L333 ', $notched, 'the upper end of the notch, 45');
    }

    public function test_a_box_of_a_quarter_of_the_rows_is_half_as_thick(): void
    {
        $height = static function (string $path): float {
            preg_match('/^M\S+ (\S+)L\S+ (\S+)/', $path, $part);

            return (float) $part[2] - (float) $part[1];
        };
        $picture = self::boxes(new BoxLook(isWideByN: true), [0, 1]);
        $thick = array_map(static fn(DOMElement $median): float => $height($median->getAttribute('d')), self::all($picture, '//*[@data-median]'));
        self::assertSame([26.0, 13.0], $thick);
    }

    public function test_standing_boxes_have_a_standing_axis_and_lanes_without_values_none(): void
    {
        $picture = self::boxes(new BoxLook(isUpright: true), [1, 0, 2]);
        self::assertSame(['North', 'Overall'], array_map(static fn(DOMElement $lane): string => $lane->getAttribute('data-lane'), self::all($picture, '//*[@data-lane]')));
        // 40 of 100 on 340 pixels from 350 up to 10.
        self::assertStringContainsString(' 214L', self::one($picture, '(//*[@data-median])[1]')->getAttribute('d'));
    }

    public function test_stems_stand_with_depths_and_what_lies_apart(): void
    {
        $column = Geometry::ofJson('{"per_leaf": 2, "low": [{"text": "-9", "count": 2}], "high": [], "lines": [{"depth": "3", "holds_median": false, "stem": "1", "negative": false, "leaves": [{"digit": "0", "count": 2}, {"digit": "5", "count": 2}]}, {"depth": "2", "holds_median": true, "stem": "2", "negative": false, "leaves": [{"digit": "7", "count": 1}]}]}');
        $picture = StemsPicture::written($column, 'kg', '1');
        $texts = self::texts($picture, '//*[local-name()="text"]');
        self::assertContains('½ 2', $texts);
        self::assertContains('-9 ×2', $texts);
        self::assertSame(['05', '7'], array_slice(self::texts($picture, '//*[@data-leaves]'), -2));
        self::assertContains('Leaf unit 1, one leaf = 2 rows.', $texts);
    }

    public function test_names_of_many_lines_take_rows_and_the_picture_grows_by_them(): void
    {
        self::assertSame([1, 1, 2, 3, 4], [Spread::rows([], 10), Spread::rows([30, 30], 60), Spread::rows([30, 30], 59), Spread::rows([90, 10, 90, 10], 101), Spread::rows(array_fill(0, 40, 100.0), 10)]);
        $names = array_fill(0, 11, 'x̄ − 3s');
        [$plain, $many] = [StackLayout::of(500, 2, false, ['median']), StackLayout::of(500, 2, false, $names)];
        self::assertSame([1, 2], [$plain->nameRows, $many->nameRows]);
        self::assertSame([14.0, 14.0, 14.0, 14.0], [$many->linesTop - $plain->linesTop, $many->dotsBase - $plain->dotsBase, $many->axisTop - $plain->axisTop, $many->height - $plain->height]);
    }

    /** @param list<int> $order */
    private static function boxes(BoxLook $look, array $order = [0]): string
    {
        $box = static fn(int $n): string => '{"q1": 20, "median": 40, "q3": 60, "whisker_low": 10, "whisker_high": 70, "mean": 45, "n": ' . $n . ', "notch": {"low": 35, "high": 45}, "five": [{"at": 10, "text": "10"}, {"at": 20, "text": "20"}, {"at": 40, "text": "40"}, {"at": 60, "text": "60"}, {"at": 100, "text": "100"}], "outliers": {"marks": [{"value": 90, "far": false}, {"value": 100, "far": true}]}}';
        $stack = Geometry::ofJson('{' . self::AXIS . ', "lanes": [{"box": ' . $box(16) . '}, {"box": ' . $box(4) . '}, {"box": null}]}');

        return Boxes::picture($stack->parts('lanes'), $stack->part('axis'), ['Overall', 'North', 'South'], 'kg', $order, $look, 638);
    }

    /** @return list<DOMElement> */
    private static function all(string $svg, string $path): array
    {
        $document = new DOMDocument();
        self::assertTrue($document->loadXML($svg));
        $found = (new DOMXPath($document))->query($path);
        self::assertNotFalse($found);

        return array_values(array_filter(iterator_to_array($found), static fn(mixed $node): bool => $node instanceof DOMElement));
    }

    private static function one(string $svg, string $path): DOMElement
    {
        $all = self::all($svg, $path);
        self::assertCount(1, $all, $path);

        return $all[0];
    }

    /** @return list<string> */
    private static function texts(string $svg, string $path): array
    {
        return array_map(static fn(DOMElement $element): string => trim($element->textContent), self::all($svg, $path));
    }
}
