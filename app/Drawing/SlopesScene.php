<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Display\DecimalText;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Plots\Slopes;
use RowTally\Core\Values\Exact;

/**
 * Lines from before to after on one axis: rising ones drawn through, falling ones dashed, staying ones thin.
 *
 * Definition  see `Slopes`.
 * When        for the same rows earlier and later.
 * Misleads    Many rows hide one another; only some are drawn then, while all are counted.
 * Source      see `Slopes`.
 */
final class SlopesScene implements Picture
{
    private const WIDEST = 576.0;
    private const HEIGHT = 340.0;
    private const TOP = 30.0;
    private const BOTTOM = 16.0;
    private const SIDE = 84.0;

    public static function kind(): string
    {
        return 'slopes';
    }

    public static function name(): string
    {
        return 'Slope lines';
    }

    public static function options(PictureSource $of, Look $look): array
    {
        $to = self::to($of);

        return $to === null ? [] : [$to];
    }

    public static function draw(PictureSource $of, Look $look, float $width): array
    {
        $to = self::to($of);
        if ($to === null) {
            return [DrawnScene::of($of->axisName(), null, 'there is no other variable of numbers to draw lines to')];
        }
        $key = $look->of($to);
        $after = array_column(array_filter($to->values, static fn(array $value): bool => $value['value'] === $key), 'words')[0] ?? '';

        return [DrawnScene::of("{$of->slopesFrom()} to {$after}", self::of($of->slopesTo($key), $of->slopesFrom(), $after, $width), 'no row has both')];
    }

    private static function to(PictureSource $of): ?Option
    {
        $others = array_map(static fn(array $other): array => ['value' => $other['key'], 'words' => $other['name']], $of->others());

        return $others === [] ? null : new Option('to', 'Slope lines to', "Each row from {$of->slopesFrom()} to ", $others);
    }

    public static function of(Slopes $slopes, string $before, string $after, float $width): ?Scene
    {
        if ($slopes->axis === null) {
            return null;
        }
        $width = min($width, self::WIDEST);
        $y = new Scale($slopes->axis->from, $slopes->axis->to, self::HEIGHT - self::BOTTOM, self::TOP);
        $all = $slopes->rising + $slopes->falling + $slopes->staying;
        $said = "From {$before} to {$after}: " . NumberMarks::count($slopes->rising) . ' rise, ' . NumberMarks::count($slopes->falling) . ' fall, ' . NumberMarks::count($slopes->staying) . ' stay'
            . ($slopes->incomplete > 0 ? '; ' . NumberMarks::count($slopes->incomplete) . ' lack one of the two' : '') . '.'
            . (count($slopes->lines) < $all ? ' ' . NumberMarks::count(count($slopes->lines)) . ' are drawn.' : '');
        $scene = new Scene(
            $width,
            self::HEIGHT,
            "Slope lines from {$before} to {$after}",
            [$said],
            "{$said} Rising lines are drawn through, falling ones are dashed.",
            [[$before, $after], ...array_map(static fn(array $line): array => [Exact::plainText($line[0]), Exact::plainText($line[1])], $slopes->lines)],
        );
        $scene->axis('y', true, $y);
        [$left, $right] = [self::SIDE, $width - self::SIDE];
        foreach ([[$left, $before, 'end', -8], [$right, $after, 'start', 8]] as [$at, $name, $anchor, $toText]) {
            $scene->line($at, self::TOP, $at, self::HEIGHT - self::BOTTOM, ['stroke' => 'ink', 'role' => 'axis']);
            foreach ($slopes->axis->ticks as $tick) {
                $scene->text($at + $toText, $y->at($tick['at']) + 4, $tick['text'], ['anchor' => $anchor, 'face' => 'figures']);
            }
            $scene->text($at, self::TOP - 12, TextWidth::fitted($name, 2 * self::SIDE - 8), ['anchor' => 'middle', 'fill' => 'ink', 'role' => 'axis-name']);
        }
        $strength = max(0.18, min(0.8, 24 / max(1, count($slopes->lines))));
        foreach ($slopes->lines as [$from, $to]) {
            $kind = $to > $from ? 'rising' : ($to < $from ? 'falling' : 'staying');
            [$y1, $y2] = [$y->at($from), $y->at($to)];
            $scene->line($left, $y1, $right, $y2, [
                'role' => 'slope',
                'id' => $kind,
                'stroke' => $kind === 'falling' ? 'lane-2' : 'lane-1',
                'opacity' => $strength,
                'thick' => $kind === 'staying' ? 0.75 : 1.5,
                'dash' => $kind === 'falling' ? '6 3' : null,
            ]);
            $scene->step(0, DecimalText::whole($from) . ' to ' . DecimalText::whole($to) . ", {$kind}", $left, min($y1, $y2), $right - $left, abs($y2 - $y1));
        }

        return $scene;
    }
}
