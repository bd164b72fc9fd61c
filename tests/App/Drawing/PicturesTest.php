<?php

declare(strict_types=1);

namespace Tests\App\Drawing;

use App\Drawing\AgainstScene;
use App\Drawing\BoxesScene;
use App\Drawing\Look;
use App\Drawing\Pictures;
use App\Drawing\Scene;
use App\Drawing\Spread;
use App\Drawing\StackLayout;
use App\Drawing\StackScene;
use App\Drawing\StemsScene;
use App\Drawing\TenthsScene;
use App\Drawing\TextWidth;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Plots\ClassChoice;
use RowTally\Core\Plots\HeightScale;
use RowTally\Core\Plots\StackOptions;
use Tests\App\Support\ListedSource;
use Tests\App\Support\SceneMarks;

/** What each picture draws of a few numbers, and where: places are those of the axis in pixels. */
final class PicturesTest extends TestCase
{
    /** Q₁ 20, median 40, Q₃ 60, fences at −40 and 120, far ones at 180. */
    private const VALUES = ['10', '20', '30', '40', '50', '60', '200'];

    public function test_a_box_plot_stands_where_its_numbers_are(): void
    {
        $scene = self::boxes('');
        $at = self::along($scene);
        $starts = static fn(string $role, int $i = 0): float => (float) substr(strval(SceneMarks::of($scene, $role)[$i]['d']), 1);
        self::assertEqualsWithDelta([$at(20), $at(40), $at(10), $at(60), $at(410 / 7)], [$starts('box'), $starts('median'), $starts('whisker'), $starts('whisker', 1), $starts('mean')], 0.01);
        [$outlier] = SceneMarks::of($scene, 'outlier');
        self::assertSame(['far', '200 kg', '200 <= x <= 200'], [$outlier['id'], $outlier['says'], $outlier['rows']]);
        self::assertSame(['10', '20', '40', '60', '200'], array_column(SceneMarks::of($scene, 'five'), 'text'));
        self::assertSame(['Overall: from 10 to 200, half of them between 20 and 60, median 40; 1 value beyond the fences.'], $scene->sentences);
        self::assertSame(['mean', 'median', 'beyond 3 interquartile ranges'], array_column(SceneMarks::of($scene, 'key'), 'text'), 'what stands in the picture is in its key');
    }

    public function test_whiskers_to_the_extremes_leave_nothing_beyond_them(): void
    {
        $scene = self::boxes('extremes:yes,numbers:no');
        self::assertStringStartsWith('M' . (string) self::along($scene)(200) . ' ', strval(SceneMarks::of($scene, 'whisker')[1]['d']));
        self::assertSame([[], []], [SceneMarks::of($scene, 'outlier'), SceneMarks::of($scene, 'five')]);
    }

    public function test_notches_narrow_the_box_at_its_median(): void
    {
        $paths = array_map(static fn(string $look): string => strval(SceneMarks::of(self::boxes($look), 'box')[0]['d']), ['', 'notches:yes']);
        self::assertSame([3, 9], array_map(static fn(string $path): int => substr_count($path, 'L'), $paths));
        // By hand: 40 − 1.57 × 40 / √7.
        self::assertStringContainsString('L' . round(self::along(self::boxes(''))(40 - 1.57 * 40 / sqrt(7)), 2) . ' ', $paths[1]);
    }

    public function test_a_box_of_a_quarter_of_the_rows_is_half_as_thick(): void
    {
        $of = new ListedSource([[...self::VALUES, '41'], ['40', '41']], ['Overall', 'North'], [0, 1]);
        $thick = array_map(static function (array $median): float {
            preg_match('/^M\S+ (\S+)L\S+ (\S+)/', strval($median['d']), $part);

            return (float) $part[2] - (float) $part[1];
        }, SceneMarks::of(self::drawn(BoxesScene::draw($of, Look::ofWord('root-n:yes'), 638.0)), 'median'));
        self::assertSame([26.0, 13.0], $thick);
    }

    public function test_standing_boxes_have_a_standing_axis_and_lanes_without_values_none(): void
    {
        $of = new ListedSource([self::VALUES, ['40'], []], ['Overall', 'North', 'South'], [1, 0, 2]);
        $scene = self::drawn(BoxesScene::draw($of, Look::ofWord('standing:yes'), 300.0));
        self::assertSame(['North', 'Overall'], array_column(SceneMarks::of($scene, 'lane'), 'id'));
        self::assertStringContainsString(' ' . (string) round(self::along($scene)(40), 2) . 'L', strval(SceneMarks::of($scene, 'median')[1]['d']));
        self::assertTrue($scene->toArray()['axes'][0]['stands']);
    }

    public function test_bars_stand_on_one_line_as_high_as_their_counts_and_lead_to_their_rows(): void
    {
        $of = new ListedSource([['12', '15', '21', '21', '34'], ['12', '15'], ['21', '21', '34']], ['Overall', 'north', 'south'], [0, 2, 1], new StackOptions(ClassChoice::ofWord('10:10')));
        $scene = self::drawn(StackScene::draw($of, Look::ofWord(''), 700.0));
        $bars = array_slice(SceneMarks::of($scene, 'bar'), 0, 3);
        [$first, , $last] = array_column($bars, 'height');
        self::assertEqualsWithDelta([$first, $first, $first / 2], array_column($bars, 'height'), 0.02);
        self::assertEqualsWithDelta(0, $bars[0]['y'] + $first - $bars[2]['y'] - $last, 1e-9);
        self::assertSame(['10 <= x < 20', '20 <= x < 30', '30 <= x <= 40'], array_column($bars, 'rows'));
        self::assertSame(['Overall', 'south', 'north'], array_column(SceneMarks::of($scene, 'lane'), 'id'));
        self::assertSame("20 <= x < 30 and g = 'south'", SceneMarks::of($scene, 'bar')[3]['rows']);
        $axis = $scene->toArray()['axes'][0];
        self::assertSame([10.0, 20.0, 'count'], [$axis['classes']['start'], $axis['classes']['second'], $axis['classes']['heights']]);
    }

    public function test_groups_over_one_another_are_lines_dashed_each_in_its_way(): void
    {
        $of = new ListedSource([['1', '2', '3', '4'], ['1', '2'], ['3', '4']], ['Overall', 'north', 'south'], [0, 1, 2], new StackOptions(scale: HeightScale::Percent));
        $scene = self::drawn(StackScene::draw($of, Look::ofWord('arrange:outlines'), 700.0));
        self::assertSame([], SceneMarks::of($scene, 'bar'));
        $outlines = SceneMarks::of($scene, 'outline');
        self::assertSame(['lane-1', 'lane-2'], array_column($outlines, 'stroke'));
        self::assertNotSame($outlines[0]['dash'] ?? null, $outlines[1]['dash'] ?? null);
        $six = new ListedSource(array_fill(0, 6, ['1', '2']), range('a', 'f'), range(0, 5));
        self::assertSame([], SceneMarks::of(self::drawn(StackScene::draw($six, Look::ofWord('arrange:outlines'), 700.0)), 'outline'), 'too many to be told apart');
        self::assertSame([false, true], array_map(static fn(ListedSource $source): bool => StackScene::options($source, Look::ofWord(''))[0]->isOffered, [$six, $of]));
    }

    public function test_stems_stand_with_depths_and_what_lies_apart(): void
    {
        $of = new ListedSource([['10', '15', '15', '21', '27', '27', '34', '900']]);
        $scene = self::drawn(StemsScene::draw($of, Look::ofWord('unit:0,lines:1,apart:yes'), 700.0));
        self::assertSame(['1', '2', '3'], array_column(SceneMarks::of($scene, 'stem'), 'text'));
        self::assertSame(['0', '55', '1', '77', '4'], array_column(SceneMarks::of($scene, 'leaf'), 'text'));
        self::assertSame('15 <= x < 16', SceneMarks::of($scene, 'leaf')[1]['rows']);
        self::assertSame(['3', '½ 3', '2'], array_map(trim(...), array_column(SceneMarks::of($scene, 'depth'), 'text')));
        self::assertStringContainsString('900', strval(SceneMarks::of($scene, 'apart')[0]['text']));
        self::assertStringStartsWith('Leaf unit 1. 1 │ 0 is 10; ', $scene->caption);
        self::assertStringContainsString("1 │ 055\n", $scene->plain);
        self::assertStringContainsString("2 │ 177\n", $scene->plain);
    }

    public function test_stems_turned_are_bars_and_two_groups_stand_back_to_back(): void
    {
        $of = new ListedSource([['10', '15', '21'], ['10', '15'], ['21']], ['Overall', 'north', 'south'], [0, 1, 2]);
        $turned = StemsScene::draw($of, Look::ofWord('unit:0,lines:1,turned:yes'), 700.0);
        self::assertCount(3, $turned);
        $bars = SceneMarks::of(self::drawn($turned), 'stem-bar');
        self::assertEqualsWithDelta(2.0, $bars[0]['height'] / $bars[1]['height'], 1e-9);
        $back = StemsScene::draw($of, Look::ofWord('unit:0,lines:1,back:yes'), 700.0);
        self::assertSame('north and south', $back[0]->name);
        // Leaves run away from the stem on either side.
        self::assertSame([['50', 'end'], ['1', 'start']], array_map(static fn(array $leaves): array => [$leaves['text'], $leaves['anchor']], SceneMarks::of(self::drawn($back), 'leaves')));
    }

    public function test_names_of_many_lines_take_rows_and_the_picture_grows_by_them(): void
    {
        self::assertSame([1, 1, 2, 3, 4], [Spread::rows([], 10), Spread::rows([30, 30], 60), Spread::rows([30, 30], 59), Spread::rows([90, 10, 90, 10], 101), Spread::rows(array_fill(0, 40, 100.0), 10)]);
        $names = array_fill(0, 15, 'x̄ − 3s');
        [$plain, $many] = [StackLayout::of(500, 2, false, ['median']), StackLayout::of(500, 2, false, $names)];
        self::assertSame([1, 2], [$plain->nameRows, $many->nameRows]);
        self::assertSame([14.0, 14.0, 14.0, 14.0], [$many->linesTop - $plain->linesTop, $many->dotsBase - $plain->dotsBase, $many->axisTop - $plain->axisTop, $many->height - $plain->height]);
    }

    /** @return iterable<string, array{string, float}> a name, a width */
    public static function rooms(): iterable
    {
        foreach (['Overall', 'Ꮤ very long name of a place that nobody can pronounce', '养蜂人协会的第一个蜂场名字很长', 'اسم طويل جدا لمنحل في الوادي البعيد', 'WWWWWWWWWWWWWWWWWWWWWWWW', '٠١٢٣٤٥٦٧٨٩٠١٢٣٤٥٦٧٨٩', ''] as $name) {
            foreach ([320.0, 760.0, 2560.0] as $width) {
                yield "{$name} at {$width}" => [$name, $width];
            }
        }
    }

    #[DataProvider('rooms')]
    public function test_no_text_leaves_its_picture_and_no_two_lie_over_one_another(string $name, float $width): void
    {
        $of = new ListedSource([self::VALUES, ['10', '20', '30'], ['40', '50', '60', '200']], ['Overall', $name, "{$name} 2"], [0, 1, 2]);
        foreach (['stack', 'boxes', 'dots', 'qq', 'strips', 'steps', 'against', 'tenths'] as $kind) {
            $picture = Pictures::of($kind);
            self::assertNotNull($picture);
            foreach ($picture::draw($of, Look::ofWord(''), $width) as $drawn) {
                $scene = $drawn->scene;
                self::assertNotNull($scene);
                $texts = self::texts($scene->marks());
                foreach ($texts as $i => [$words, $left, $right, $y]) {
                    self::assertGreaterThanOrEqual(-1.0, $left, "{$kind}: {$words}");
                    self::assertLessThanOrEqual($scene->width + 1, $right, "{$kind}: {$words}");
                    self::assertLessThanOrEqual($scene->height, $y, "{$kind}: {$words}");
                    foreach (array_slice($texts, 0, $i) as [$other, $from, $to, $line]) {
                        self::assertFalse(abs($line - $y) < 8 && $from < $right - 1 && $to > $left + 1, "{$kind}: {$words} over {$other}");
                    }
                }
            }
        }
    }

    /** By hand: the medians are 20 and 55, Q₁ 10 and 45, Q₃ 30 and 130. */
    public function test_two_groups_against_each_other_are_joined_from_quartile_to_quartile(): void
    {
        $of = new ListedSource([['10', '20', '30', '40', '50', '60', '200'], ['10', '20', '30'], ['40', '50', '60', '200']], ['Overall', 'A', 'B'], [0, 1, 2]);
        $scene = self::drawn(AgainstScene::draw($of, Look::ofWord(''), 700.0));
        $axis = $scene->toArray()['axes'][0];
        $pixel = static fn(float $value): float => $axis['start'] + ($axis['end'] - $axis['start']) * ($value - $axis['from']) / ($axis['to'] - $axis['from']);
        $ends = array_map(static fn(array $line): array => [$line['x1'], $line['x2']], SceneMarks::of($scene, 'slant'));
        foreach ([[10.0, 45.0], [30.0, 130.0], [20.0, 55.0]] as $i => [$from, $to]) {
            self::assertEqualsWithDelta([$pixel($from), $pixel($to)], $ends[$i], 0.02);
        }
        self::assertSame(['+35.0 at the median'], array_column(SceneMarks::of($scene, 'difference'), 'text'));
        self::assertNull(AgainstScene::draw(new ListedSource([['1', '2'], ['1', '2']], ['Overall', 'A'], [0, 1]), Look::ofWord(''), 700.0)[0]->scene, 'one group');
        self::assertNotNull(AgainstScene::draw(new ListedSource([['1', '2', '3'], ['1', '2', '3'], []], ['Overall', 'A', 'B'], [0, 1, 2]), Look::ofWord(''), 700.0)[0]->scene, 'one of them empty');
        self::assertSame([], SceneMarks::of(self::drawn(AgainstScene::draw(new ListedSource([['1', '2', '3'], ['1'], ['2'], ['3']], ['Overall', 'A', 'B', 'C'], [0, 1, 2, 3]), Look::ofWord(''), 700.0)), 'slant'), 'three');
    }

    public function test_differences_at_each_tenth_lie_where_their_numbers_say(): void
    {
        $of = new ListedSource([['1', '2', '3', '4', '5', '6', '7', '8'], ['1', '2', '3', '4'], ['5', '6', '7', '8']], ['Overall', 'A', 'B'], [0, 1, 2]);
        $scene = self::drawn(TenthsScene::draw($of, Look::ofWord(''), 700.0));
        $points = SceneMarks::of($scene, 'tenth');
        self::assertCount(9, $points);
        self::assertCount(1, array_unique(array_column($points, 'cy')), 'every one is 4');
        self::assertStringContainsString('+4.0', $points[0]['says']);
        self::assertSame(['Place in the order', 'B less A'], $scene->toArray()['table'][0]);
        self::assertSame(['10 %', '4'], $scene->toArray()['table'][1]);
        self::assertNull(TenthsScene::draw(new ListedSource([['1'], ['1'], []], ['Overall', 'A', 'B'], [0, 1, 2]), Look::ofWord(''), 700.0)[0]->scene);
        self::assertNotNull(TenthsScene::draw(new ListedSource([['1', '1'], ['1'], ['1']], ['Overall', 'A', 'B'], [0, 1, 2]), Look::ofWord(''), 320.0)[0]->scene, 'no difference anywhere');
    }

    public function test_what_was_chosen_is_held_to_what_can_be(): void
    {
        $options = BoxesScene::options(new ListedSource([['1']]), Look::ofWord(''));
        Look::ofWord('notches:yes,standing:no')->holdTo($options);
        foreach (['notches' => 'notches', 'tilted:yes' => 'tilted', 'notches:perhaps' => 'notches:perhaps'] as $word => $named) {
            try {
                Look::ofWord($word)->holdTo($options);
                self::fail($word);
            } catch (NotUnderstood $refusal) {
                self::assertStringContainsString($named, $refusal->getMessage());
            }
        }
    }

    /**
     * @param list<array<string, mixed>> $marks
     *
     * @return list<array{string, float, float, float}> each text with where it begins, ends and stands
     */
    private static function texts(array $marks): array
    {
        $texts = [];
        foreach ($marks as $mark) {
            if ($mark['kind'] === 'text' && !isset($mark['turn']) && $mark['text'] !== '') {
                $face = str_contains($mark['face'] ?? '', 'figures') ? TextWidth::FIGURES : (($mark['face'] ?? '') === 'symbols' ? TextWidth::SYMBOLS : TextWidth::UI);
                $wide = $mark['length'] ?? TextWidth::of($mark['text'], $face);
                $left = $mark['x'] - match ($mark['anchor'] ?? 'start') {
                    'middle' => $wide / 2,
                    'end' => $wide,
                    default => 0.0,
                };
                $texts[] = [$mark['text'], $left, $left + $wide, $mark['y']];
            }
            $texts = [...$texts, ...self::texts($mark['marks'] ?? [])];
        }

        return $texts;
    }

    private static function boxes(string $look): Scene
    {
        return self::drawn(BoxesScene::draw(new ListedSource([self::VALUES]), Look::ofWord($look), 638.0));
    }

    /** @param non-empty-list<\App\Drawing\DrawnScene> $drawn */
    private static function drawn(array $drawn): Scene
    {
        self::assertNotNull($drawn[0]->scene);

        return $drawn[0]->scene;
    }

    /** @return callable(float): float a value's place on the axis */
    private static function along(Scene $scene): callable
    {
        $axis = $scene->toArray()['axes'][0];

        return static fn(float $value): float => $axis['start'] + ($axis['end'] - $axis['start']) * ($value - $axis['from']) / ($axis['to'] - $axis['from']);
    }
}
