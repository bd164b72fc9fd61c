<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Display\DecimalText;
use RowTally\Core\Plots\StepPlot;
use RowTally\Core\Values\Exact;

/**
 * The share of the rows at or below each value as steps, overall and by group: told apart by hue and dash.
 *
 * Definition  see `StepPlot`.
 * When        to read off shares below any value, and to compare groups of unlike sizes.
 * Misleads    The eye follows the gap across and not up: compare at one value or at one share.
 * Source      see `StepPlot`.
 */
final class StepsScene implements Picture
{
    public static function kind(): string
    {
        return 'steps';
    }

    public static function name(): string
    {
        return 'Share at or below';
    }

    public static function options(PictureSource $of, Look $look): array
    {
        return [self::drawn(count($of->names()) > 1)];
    }

    public static function draw(PictureSource $of, Look $look, float $width): array
    {
        return [DrawnScene::of($of->names()[0], self::of(StepPlot::of($of->columns()), $of->names(), $of->axisName(), $width, $look->of(self::drawn(true)) === 'groups'), 'there is no value to draw')];
    }

    private static function drawn(bool $isOffered): Option
    {
        return new Option('drawn', 'Lines of', 'Lines of ', [['value' => 'all', 'words' => 'all rows and of each group'], ['value' => 'groups', 'words' => 'each group alone']], isOffered: $isOffered);
    }

    /** @param list<string> $names of the lines */
    public static function of(StepPlot $plot, array $names, string $axisName, float $width, bool $isOfGroupsAlone = false): ?Scene
    {
        if ($plot->axis === null) {
            return null;
        }
        $width = min($width, PointsScene::WIDEST);
        $room = $width - PointsScene::LEFT - PointsScene::RIGHT;
        $lines = $isOfGroupsAlone && count($names) > 1 ? array_diff_key($plot->lines, [0]) : $plot->lines;
        $key = count($names) === 1 ? [] : array_map(static fn(int $lane): array => ['sign' => 'line', 'words' => $names[$lane], 'lane' => $lane], array_keys($lines));
        $base = PointsScene::HEIGHT - PointsScene::BOTTOM;
        $x = new Scale($plot->axis->from, $plot->axis->to, PointsScene::LEFT, $width - PointsScene::RIGHT);
        $y = new Scale(0.0, 1.0, $base, PointsScene::TOP);
        $caption = 'The share of the rows at or below each value; it rises where there are values.';
        $table = [['group', $axisName, 'share at or below']];
        $sentences = [];
        foreach ($lines as $lane => $line) {
            $half = array_values(array_filter($line, static fn(array $step): bool => $step['share'] >= 0.5))[0] ?? null;
            $sentences[] = $names[$lane] . ': ' . ($half === null ? 'no values' : 'half of ' . DecimalText::whole($plot->n[$lane]) . ' at or below ' . PointsScene::short($half['value'])) . '.';
            foreach ($line as $step) {
                $table[] = [$names[$lane], Exact::plainText($step['value']), Exact::plainText($step['share'])];
            }
        }
        $scene = new Scene($width, PointsScene::HEIGHT + Key::height($key, $room), "{$axisName}, share at or below", $sentences, $caption, $table);
        Axes::levels($scene, PointsScene::SHARES, 'share of the rows at or below', $y, PointsScene::LEFT, $x->end);
        foreach ($lines as $lane => $line) {
            $path = 'M' . Svg::number($x->start) . ' ' . Svg::number($y->start);
            foreach ($line as $step) {
                [$at, $share] = [$x->at($step['value']), $y->at($step['share'])];
                $path .= 'H' . Svg::number($at) . 'V' . Svg::number($share);
                $scene->step($lane, "{$names[$lane]}: " . PointsScene::short(100 * $step['share']) . ' % at or below ' . PointsScene::short($step['value']), $at - 3, $share - 3, 6, 6);
            }
            if ($line !== []) {
                $scene->path($path . 'H' . Svg::number($x->end), ['stroke' => "lane-{$lane}", 'thick' => $lane === 0 ? 2.0 : 1.5, 'dash' => Palette::dash($lane), 'role' => 'steps', 'id' => $names[$lane]]);
            }
        }
        Key::draw($scene, $key, PointsScene::LEFT, PointsScene::HEIGHT, $room);
        Axes::lying($scene, $plot->axis->ticks, $axisName, $x, $base);

        return $scene;
    }
}
