<?php

declare(strict_types=1);

namespace Tests\App\Drawing;

use App\Drawing\DotsScene;
use App\Drawing\PointsScene;
use App\Drawing\QqScene;
use App\Drawing\Scene;
use App\Drawing\SlopesScene;
use App\Drawing\StepsScene;
use App\Drawing\StripsScene;
use App\Drawing\Svg;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\DotPlot;
use RowTally\Core\Plots\NormalQq;
use RowTally\Core\Plots\OrderedStrip;
use RowTally\Core\Plots\Slopes;
use RowTally\Core\Plots\StepPlot;
use Tests\App\Support\SceneMarks;
use Tests\Core\Support\ListedTable;
use Tests\Core\Support\Numbers;

/** Pictures that are laid out once: where their marks are, and the same in SVG. */
final class ScenesTest extends TestCase
{
    public function test_points_of_a_normal_plot_lie_by_their_line(): void
    {
        $scene = QqScene::of(NormalQq::of(self::of('0', '1', '2', '3', '4'), new Basis(quartileRule: QuartileRule::Hf7)), 'kg', 'North', 2, 702.0);
        self::assertNotNull($scene);
        $points = SceneMarks::of($scene, 'point');
        self::assertCount(5, $points);
        self::assertSame(['lane-2', 135.0], [$points[2]['fill'], $points[2]['cy']]);
        // z = 0 in the middle of an axis that is as long on either side.
        self::assertEqualsWithDelta((76 + 646) / 2, $points[2]['cx'], 0.01);
        $line = SceneMarks::of($scene, 'reference')[0];
        // Through the quartiles, 1 and 3: the middle one is on it.
        self::assertEqualsWithDelta(135.0, ($line['y1'] + $line['y2']) / 2, 0.01);
        self::assertStringContainsString('North: near the line', $scene->caption);
        self::assertStringContainsString('The quartiles are equal', QqScene::of(NormalQq::of(self::of('5', '5', '5'), new Basis()), 'kg', '', 0, 702.0)->caption ?? '');
        self::assertSame(['z expected of a normal distribution', 'kg'], $scene->table[0]);
        self::assertCount(6, $scene->table);
        self::assertStringStartsWith('5 points, from z expected', $scene->sentences[0]);
        self::assertNull(QqScene::of(NormalQq::of(self::of('7'), new Basis()), 'kg', '', 0, 700.0));
    }

    public function test_an_ordered_strip_has_its_cuts(): void
    {
        $strip = OrderedStrip::of(self::of('0', '25', '75', '100'), new Basis());
        $scene = StripsScene::of($strip, StripsScene::axis($strip), 'kg', '', 0, 502.0);
        self::assertNotNull($scene);
        // 400 pixels for 0 to 100, 242 for the shares; the lower quartile by halves is 12.5.
        self::assertSame([76.0, 176.0, 376.0, 476.0], array_column(SceneMarks::of($scene, 'point'), 'cx'));
        self::assertSame('M76 195.5H126V256', SceneMarks::of($scene, 'cut')[0]['d']);
        self::assertSame(['Q₁', 'x̃', 'Q₃'], array_column(SceneMarks::of($scene, 'cut'), 'id'));
    }

    public function test_slopes_rise_fall_and_stay(): void
    {
        $slopes = Slopes::of(ListedTable::of(['a' => ['0', '100', '50', ''], 'b' => ['100', '0', '50', '1']]), 'a', 'b');
        $scene = SlopesScene::of($slopes, 'Autumn', 'Spring', 500.0);
        self::assertNotNull($scene);
        $lines = SceneMarks::of($scene, 'slope');
        self::assertSame(['rising', 'falling', 'staying'], array_column($lines, 'id'));
        self::assertSame([null, '6 3', null], array_map(static fn(array $line): ?string => $line['dash'] ?? null, $lines));
        self::assertSame([324.0, 30.0], [$lines[0]['y1'], $lines[0]['y2']]);
        self::assertSame('From Autumn to Spring: 1 rise, 1 fall, 1 stay; 1 lack one of the two.', $scene->sentences[0]);
        self::assertNull(SlopesScene::of(Slopes::of(ListedTable::of(['a' => [''], 'b' => ['1']]), 'a', 'b'), 'a', 'b', 500.0));
    }

    public function test_steps_rise_where_the_values_are(): void
    {
        $plot = StepPlot::of([self::of('0', '50', '50', '100'), self::of('50', '50'), self::of()]);
        $scene = StepsScene::of($plot, ['Overall', 'North', 'South'], 'kg', 502.0);
        self::assertNotNull($scene);
        [$overall, $north] = SceneMarks::of($scene, 'steps');
        // 400 pixels for 0 to 100; 242 for all rows, from 256 up to 14.
        self::assertSame('M76 256H76V195.5H276V74.5H476V14H476', $overall['d']);
        self::assertSame(['M76 256H276V14H476', 'North', 'lane-1'], [$north['d'], $north['id'], $north['stroke']]);
        self::assertSame(['Overall', 'North', 'South'], array_column(SceneMarks::of($scene, 'key'), 'text'));
        $groups = StepsScene::of($plot, ['Overall', 'North', 'South'], 'kg', 502.0, true);
        self::assertNotNull($groups);
        self::assertSame([['North'], ['North', 'South']], [array_column(SceneMarks::of($groups, 'steps'), 'id'), array_column(SceneMarks::of($groups, 'key'), 'text')]);
        self::assertSame(['Overall: half of 4 at or below 50.', 'North: half of 2 at or below 50.', 'South: no values.'], $scene->sentences);
        self::assertSame(['Overall', '50', '0.75'], $scene->table[2]);
        self::assertSame('Overall: 75 % at or below 50', $scene->toArray()['steps'][1]['words']);
        self::assertSame(['27.8', '−0.3333', '1.0e+25'], array_map(PointsScene::short(...), [27.8000001, -1 / 3, 1e25]));
        self::assertNull(StepsScene::of(StepPlot::of([self::of()]), ['Overall'], 'kg', 500.0));
        self::assertSame([], SceneMarks::of(StepsScene::of(StepPlot::of([self::of('1', '2')]), ['Overall'], 'kg', 500.0) ?? new Scene(1, 1, ''), 'key'), 'one line needs no key');
    }

    public function test_a_dot_plot_has_a_dot_for_each_and_marks_mean_and_median(): void
    {
        $plot = DotPlot::of([self::of('0', '50', '50', '50', '100'), self::of('0'), self::of()]);
        $scene = DotsScene::of($plot, ['Overall', 'A name that is far too long', 'South'], 'kg', 634.0);
        self::assertNotNull($scene);
        // 500 pixels from 108 on.
        self::assertSame([108.0, 358.0, 358.0, 358.0, 608.0, 108.0], array_column(SceneMarks::of($scene, 'dot'), 'cx'));
        self::assertSame('at 50: 3 rows', SceneMarks::of($scene, 'dot')[1]['says']);
        self::assertSame([358.0, 108.0], array_column(SceneMarks::of($scene, 'median'), 'x1'));
        self::assertStringStartsWith('M358 ', SceneMarks::of($scene, 'mean')[0]['d']);
        self::assertSame(['Overall', 'A name that is f…', 'South'], array_column(SceneMarks::of($scene, 'lane-name'), 'text'));
        self::assertSame(['Overall: dots from 0 to 100; most, at 50: 3 rows.', 'A name that is far too long: dots from 0 to 0; most, at 0: 1 row.', 'South: no values.'], $scene->sentences);
        self::assertSame([['Value', 'Overall', 'A name that is far too long', 'South'], ['0', '1', '1', '0'], ['50', '3', '0', '0'], ['100', '1', '0', '0']], $scene->table);
        self::assertSame('One dot is one row; ▲ mean, heavy line median.', $scene->caption);
        self::assertSame('One dot = up to 1,200 rows, in bins of 50; ▲ mean, heavy line median.', DotsScene::caption(1200, '50'));
        self::assertStringContainsString('<g data-dots="South"><line', Svg::of($scene));
        self::assertNull(DotsScene::of(DotPlot::of([self::of()]), ['Overall'], 'kg', 500.0));
    }

    public function test_a_scene_as_svg_has_the_same_marks_in_the_colours_of_paper(): void
    {
        $scene = new Scene(100.0, 50.0, 'a < b');
        $scene->openClipped(1, 2, 30, 40);
        $scene->line(0, 0, 10.004, 5, ['stroke' => 'lane-1', 'dash' => '3 3', 'thick' => 2.0, 'role' => 'cut', 'id' => 'Q₁']);
        $scene->close();
        $scene->rect(1, 1, -5, 4, ['stroke' => 'ink']);
        $scene->circle(3, 4, 2.5, ['fill' => 'accent', 'opacity' => 0.5]);
        $scene->text(5, 6, '7 & 8', ['anchor' => 'end', 'face' => 'figures']);
        $svg = Svg::of($scene);

        self::assertStringContainsString('aria-label="a &lt; b"', $svg);
        self::assertStringContainsString('<line fill="none" data-cut="Q₁" x1="0" y1="0" x2="10" y2="5" stroke="#4b768f" stroke-dasharray="3 3" stroke-width="2"/></g>', $svg);
        self::assertStringContainsString('<rect fill="none" x="1" y="1" width="0" height="4" stroke="#17251f"/>', $svg);
        self::assertStringContainsString('<circle fill="#b5400f" cx="3" cy="4" r="2.5" opacity="0.5"/>', $svg);
        self::assertStringContainsString('<text fill="#55655d" x="5" y="6" text-anchor="end" class="figures">7 &amp; 8</text>', $svg);
    }

    private static function of(string ...$texts): Observations
    {
        return new Observations(Numbers::ofTexts(array_values($texts)), 0);
    }
}
