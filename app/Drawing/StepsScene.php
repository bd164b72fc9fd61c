<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Plots\StepPlot;
use RowTally\Core\Values\Exact;

/** The share of the rows at or below each value as steps, overall and by group: told apart by hue and dash. */
final class StepsScene
{
    private const KEY = 20.0;
    private const SAMPLE = 26.0;
    private const CHARACTER = 7.4;
    private const GAP = 18.0;

    /** @param list<string> $names of the lines */
    public static function of(StepPlot $plot, array $names, string $axisName, float $width): ?Scene
    {
        if ($plot->axis === null) {
            return null;
        }
        $width = min($width, PointsScene::WIDEST);
        $places = self::places($names, $width - PointsScene::LEFT - PointsScene::RIGHT);
        $rows = count($names) === 1 ? 0 : $places[count($places) - 1][1] + 1;
        $base = PointsScene::HEIGHT - PointsScene::BOTTOM;
        $x = new Scale($plot->axis->from, $plot->axis->to, PointsScene::LEFT, $width - PointsScene::RIGHT);
        $y = new Scale(0.0, 1.0, $base, PointsScene::TOP);
        $caption = 'The share of the rows at or below each value; it rises where there are values.';
        $table = [['group', $axisName, 'share at or below']];
        $sentences = [];
        foreach ($plot->lines as $lane => $line) {
            $half = array_values(array_filter($line, static fn(array $step): bool => $step['share'] >= 0.5))[0] ?? null;
            $sentences[] = $names[$lane] . ': ' . ($half === null ? 'no values' : 'half of ' . Exact::plainText($plot->n[$lane]) . ' at or below ' . PointsScene::short($half['value'])) . '.';
            foreach ($line as $step) {
                $table[] = [$names[$lane], Exact::plainText($step['value']), Exact::plainText($step['share'])];
            }
        }
        $scene = new Scene($width, PointsScene::HEIGHT + self::KEY * $rows, "{$axisName}, share at or below", $sentences, $caption, $table);
        Axes::levelsIn($scene, PointsScene::SHARES, 'share of the rows at or below', $y, PointsScene::LEFT, $x->end);
        foreach ($plot->lines as $lane => $line) {
            $path = 'M' . Svg::number($x->start) . ' ' . Svg::number($y->start);
            foreach ($line as $step) {
                [$at, $share] = [$x->at($step['value']), $y->at($step['share'])];
                $path .= 'H' . Svg::number($at) . 'V' . Svg::number($share);
                $scene->step($lane, "{$names[$lane]}: " . PointsScene::short(100 * $step['share']) . ' % at or below ' . PointsScene::short($step['value']), $at - 3, $share - 3, 6, 6);
            }
            if ($line !== []) {
                $scene->path($path . 'H' . Svg::number($x->end), ['stroke' => "lane-{$lane}", 'thick' => $lane === 0 ? 2.0 : 1.5, 'dash' => $lane === 0 ? null : Palette::dash($lane), 'role' => 'steps', 'id' => $names[$lane]]);
            }
            if ($rows > 0) {
                [$left, $row] = $places[$lane];
                $top = PointsScene::HEIGHT + self::KEY * $row + 4;
                $scene->line(PointsScene::LEFT + $left, $top, PointsScene::LEFT + $left + self::SAMPLE, $top, ['stroke' => "lane-{$lane}", 'thick' => $lane === 0 ? 2.0 : 1.5, 'dash' => $lane === 0 ? null : Palette::dash($lane)]);
                $scene->text(PointsScene::LEFT + $left + self::SAMPLE + 6, $top + 4, $names[$lane], ['fill' => 'ink', 'role' => 'key']);
            }
        }
        Axes::lyingIn($scene, $plot->axis->ticks, $axisName, $x, $base);

        return $scene;
    }

    /**
     * The names beside each other, in rows as they have room.
     *
     * @param list<string> $names
     *
     * @return list<array{float, int}> place in the row and row of each
     */
    private static function places(array $names, float $room): array
    {
        $places = [];
        $left = 0.0;
        $row = 0;
        foreach ($names as $name) {
            $wide = self::SAMPLE + 6 + self::CHARACTER * mb_strlen($name) + self::GAP;
            if ($left > 0.0 && $left + $wide > $room) {
                $left = 0.0;
                ++$row;
            }
            $places[] = [$left, $row];
            $left += $wide;
        }

        return $places;
    }
}
