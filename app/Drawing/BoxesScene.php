<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Display\DecimalText;
use RowTally\Core\Formula\Condition;
use RowTally\Core\Plots\AlignedStack;
use RowTally\Core\Plots\BoxPlot;
use RowTally\Core\Values\Exact;

/**
 * Box plots beside one another on one axis, large, lying or standing.
 *
 * Definition  see `BoxPlot`.
 * When        to put many groups beside one another.
 * Misleads    It hides how many values there are, and two heaps look like one: put dots or bars beside it.
 * Source      see `BoxPlot`.
 */
final class BoxesScene implements Picture
{
    private const NAMES = 108.0;
    private const RIGHT = 30.0;
    private const LANE = 68.0;
    private const STANDING_LANE = 128.0;
    private const LENGTH = 340.0;
    private const THICK = 26.0;
    private const THIN = 5.0;
    private const AXIS = 44.0;
    private const LINE = 14.0;

    public static function kind(): string
    {
        return 'boxes';
    }

    public static function name(): string
    {
        return 'Box plots';
    }

    public static function options(PictureSource $of, Look $look): array
    {
        return array_values(self::choices());
    }

    public static function draw(PictureSource $of, Look $look, float $width): array
    {
        $stack = AlignedStack::of($of->columns()[0], array_slice($of->columns(), 1), $of->basis(), $of->stackOptions());
        $has = array_map($look->is(...), self::choices());

        return [DrawnScene::of($of->names()[0], $stack === null ? null : self::scene($stack, $of, $has, $width), 'there is no value to draw')];
    }

    /** @return array<'standing'|'notches'|'root-n'|'extremes'|'numbers', Option> */
    private static function choices(): array
    {
        return [
            'standing' => Option::whether('standing', 'Boxes', 'Boxes ', 'lie', 'stand'),
            'notches' => Option::whether('notches', 'Notches', ', ', 'without notches', 'with notches', 'Median ± 1.57 IQR / √n: where two do not overlap, the medians are unlike.'),
            'root-n' => Option::whether('root-n', 'Thickness', ', ', 'all as thick', 'as thick as √n', 'So a box of few rows does not weigh as much as one of many.'),
            'extremes' => Option::whether('extremes', 'Whiskers', ', ', 'whiskers to the last value inside the fences', 'whiskers to the extremes'),
            'numbers' => Option::whether('numbers', 'Numbers', ', ', 'without numbers', 'with their five numbers', isDefault: true),
        ];
    }

    /** @param array<'standing'|'notches'|'root-n'|'extremes'|'numbers', bool> $has */
    private static function scene(AlignedStack $stack, PictureSource $of, array $has, float $width): Scene
    {
        $axis = $stack->bars->axis;
        $names = $of->names();
        $boxes = [];
        foreach ($of->order() as $lane) {
            $box = $stack->boxes[$lane] ?? null;
            $boxes = $box === null ? $boxes : [...$boxes, ['lane' => $lane, 'name' => $names[$lane], 'box' => $box]];
        }
        $isUpright = $has['standing'];
        $most = max([1.0, ...array_map(static fn(array $one): float => $one['box']->n, $boxes)]);
        $total = count($boxes) * ($isUpright ? self::STANDING_LANE : self::LANE);
        $wide = $isUpright ? max($width, self::NAMES + $total + self::RIGHT) : $width;
        $base = $isUpright ? self::LENGTH + 44 : $total + self::AXIS + 8;
        $key = Boxes::key(array_column($boxes, 'box'), $of);
        $along = $isUpright ? Scale::ofAxis($axis, self::LENGTH + 10, 10) : Scale::ofAxis($axis, self::NAMES, $width - self::RIGHT);
        $scene = new Scene(
            $wide,
            $base + Key::height($key, $wide - self::NAMES),
            "{$of->axisName()}: box plots",
            array_map(static fn(array $one): string => "{$one['name']}: " . Boxes::sentence($one['box']) . Boxes::beyond($one['box']) . '.', $boxes),
            '',
            self::table($boxes),
        );
        if ($isUpright) {
            Axes::standing($scene, $axis->ticks, $of->axisName(), $along, self::NAMES - 20, self::NAMES + $total);
        }
        foreach ($boxes as $i => ['lane' => $lane, 'name' => $name, 'box' => $box]) {
            $middle = $isUpright ? self::NAMES + ($i + 0.5) * self::STANDING_LANE : 12 + $i * self::LANE + self::LANE / 2 - 8;
            $half = ($has['root-n'] ? max(self::THIN, self::THICK * sqrt($box->n / $most)) : self::THICK) / 2;
            $scene->open('lane', $name);
            Boxes::draw($scene, $box, $of, $lane, $along, $middle, $half, $isUpright, $has['notches'], $has['extremes']);
            if ($has['numbers']) {
                self::five($scene, $box, $along, $middle, $half, $isUpright);
            }
            $isUpright
                ? $scene->text($middle, self::LENGTH + 30, TextWidth::fitted($name, self::STANDING_LANE - 6), ['anchor' => 'middle', 'fill' => 'ink', 'role' => 'lane-name'])
                : $scene->text(self::NAMES - 10, $middle + 4, TextWidth::fitted($name, self::NAMES - 12), ['anchor' => 'end', 'fill' => 'ink', 'role' => 'lane-name']);
            $scene->close();
            self::steps($scene, $box, $of, $i, $lane, $along, $middle, $has);
        }
        if (!$isUpright) {
            Axes::lying($scene, $axis->ticks, $of->axisName(), $along, $total + 8);
        }
        Key::draw($scene, $key, self::NAMES - 20, $base, $wide - self::NAMES);

        return $scene;
    }

    /** @param array<'standing'|'notches'|'root-n'|'extremes'|'numbers', bool> $has */
    private static function steps(Scene $scene, BoxPlot $box, PictureSource $of, int $place, int $lane, Scale $along, float $middle, array $has): void
    {
        $marks = array_map(static fn(array $level, string $called): array => [$level['at'], "{$called}: {$level['text']}", null], Boxes::five($box), Boxes::FIVE);
        foreach ($has['extremes'] ? [] : $box->outliers->marks as $mark) {
            $marks[] = [(float) (string) $mark['value'], 'beyond the fences: ' . DecimalText::plain($mark['value']), $of->rowsWhere(Condition::from($of->variable(), $mark['value'], $mark['value']), $lane)];
        }
        foreach ($marks as [$value, $words, $rows]) {
            [$at, $across] = [$along->at($value) - 3, $middle - self::THICK / 2];
            $has['standing']
                ? $scene->step($place, "{$of->names()[$lane]}, {$words}", $across, $at, self::THICK, 6, $rows)
                : $scene->step($place, "{$of->names()[$lane]}, {$words}", $at, $across, 6, self::THICK, $rows);
        }
    }

    /** The five numbers beside their places; where they would touch they step aside. */
    private static function five(Scene $scene, BoxPlot $box, Scale $along, float $middle, float $half, bool $isUpright): void
    {
        $five = $isUpright ? array_reverse(Boxes::five($box)) : Boxes::five($box);
        $places = Spread::apart(
            array_map(static fn(array $level): float => $along->at($level['at']), $five),
            array_map(static fn(array $level): float => $isUpright ? self::LINE : TextWidth::of($level['text'], TextWidth::FIGURES) + 6, $five),
            $isUpright ? 0 : self::NAMES - 40,
            $isUpright ? self::LENGTH + 20 : $along->end + self::RIGHT,
        );
        foreach ($five as $i => $level) {
            $isUpright
                ? $scene->text($middle + $half + 12, $places[$i] + 4, $level['text'], ['face' => 'figures halo', 'role' => 'five'])
                : $scene->text($places[$i], $middle - $half - 6, $level['text'], ['anchor' => 'middle', 'face' => 'figures halo', 'role' => 'five']);
        }
    }

    /**
     * @param list<array{lane: int, name: string, box: BoxPlot}> $boxes
     *
     * @return list<list<string>>
     */
    private static function table(array $boxes): array
    {
        return [
            ['', 'n', ...Boxes::FIVE, 'whisker low', 'whisker high', 'mean'],
            ...array_map(static fn(array $one): array => [
                $one['name'],
                ...array_map(static fn(?float $number): string => $number === null ? '' : Exact::plainText($number), [$one['box']->n, ...array_column(Boxes::five($one['box']), 'at'), $one['box']->whiskerLow, $one['box']->whiskerHigh, $one['box']->mean]),
            ], $boxes),
        ];
    }
}
