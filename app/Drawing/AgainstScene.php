<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Comparison\ComparedGroups;
use RowTally\Core\Comparison\Measure;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\Bars;
use RowTally\Core\Plots\BoxPlot;
use RowTally\Core\Values\Exact;

/**
 * Groups against each other on one axis: a histogram and a box each; between two, lines from quartile to quartile.
 *
 * Definition  one axis and one set of classes for all; the lines join Q₁, median and Q₃ of the first and of the second.
 * When        to see two groups, or earlier and later, against each other.
 * Misleads    Lines join quartiles of unlike rows: they say how the groups shift and not how any row does.
 */
final readonly class AgainstScene implements Picture
{
    private const NAMES = 108.0;
    private const NARROW_NAMES = 76.0;
    private const NARROW = 420.0;
    private const RIGHT = 22.0;
    private const TOP = 8.0;
    private const BARS = 84.0;
    private const BARS_OF_MANY = 40.0;
    private const BOX = 18.0;
    private const GAP = 12.0;
    private const BETWEEN = 64.0;
    private const AXIS = 44.0;

    public static function kind(): string
    {
        return 'against';
    }

    public static function name(): string
    {
        return 'On one axis';
    }

    public static function options(PictureSource $of, Look $look): array
    {
        return [];
    }

    public static function draw(PictureSource $of, Look $look, float $width): array
    {
        $columns = $of->columns();
        $bars = count($columns) < 3 ? null : Bars::of($columns[0], array_slice($columns, 1), $of->basis(), $of->stackOptions());

        return [DrawnScene::of($of->axisName(), $bars === null ? null : self::scene($of, $bars, $width), count($columns) < 3 ? 'it takes two groups' : 'there is no value to draw')];
    }

    private static function scene(PictureSource $of, Bars $bars, float $width): Scene
    {
        $columns = array_slice($of->columns(), 1, null, true);
        $boxes = array_map(static fn(Observations $column): ?BoxPlot => $column->n() === 0 ? null : BoxPlot::of($column, $of->basis()), $columns);
        $isPair = count($columns) === 2;
        $left = $width < self::NARROW ? self::NARROW_NAMES : self::NAMES;
        $x = Scale::ofAxis($bars->axis, $left, $width - self::RIGHT);
        $places = self::places(count($columns));
        $bottom = max(array_map(static fn(array $place): float => max($place['base'], $place['box'] + self::BOX / 2 + 10), $places)) + self::GAP / 2;
        $key = Boxes::key(array_values(array_filter($boxes, static fn(?BoxPlot $box): bool => $box !== null)), $of);
        $names = $of->names();
        $scene = new Scene(
            $width,
            $bottom + self::AXIS + Key::height($key, $width - $left),
            "{$of->axisName()}: " . implode(' against ', array_slice($names, 1)) . ' on one axis',
            array_map(static fn(int $lane): string => "{$of->axisName()}, {$names[$lane]}: " . ($boxes[$lane] === null ? 'no values.' : Boxes::sentence($boxes[$lane]) . Boxes::beyond($boxes[$lane]) . '.'), array_keys($boxes)),
            ($isPair ? 'Slanted lines join the quartiles and the medians. ' : '') . ucfirst($bars->histograms[0]->closed->words()) . '.',
            self::table($of, $boxes),
        );
        $highest = max([0.0, ...array_map(static fn(int $lane): float => $bars->highest[$lane], array_keys($columns))]);
        foreach (array_keys($columns) as $i => $lane) {
            $place = $places[$i];
            self::bars($scene, $of, $bars, $lane, $x, $place, $highest);
            $box = $boxes[$lane];
            if ($box !== null) {
                $scene->openClipped($left - 8, 0, $width - $left, $bottom);
                Boxes::draw($scene, $box, $of, $lane, $x, $place['box'], self::BOX / 2);
                $scene->close();
            }
            $lines = TextWidth::wrapped($names[$lane], $left - 10, 2);
            foreach ($lines as $k => $line) {
                $scene->text($left - 10, $place['box'] + 4 - 14 * (count($lines) - 1 - $k), $line, ['anchor' => 'end', 'fill' => 'ink', 'role' => 'lane-name', 'says' => $names[$lane]]);
            }
        }
        if ($isPair) {
            self::between($scene, $of, array_values($boxes), $x, $places);
        }
        Axes::lying($scene, $bars->axis->ticks, $of->axisName(), $x, $bottom);
        Key::draw($scene, $key, $left, $bottom + self::AXIS, $width - $left);

        return $scene;
    }

    /** @return non-empty-list<array{top: float, base: float, box: float}> */
    private static function places(int $lanes): array
    {
        if ($lanes === 2) {
            // Mirrored, so that the boxes face each other.
            $first = self::TOP + self::BARS + self::GAP + self::BOX / 2;
            $second = $first + self::BOX + self::BETWEEN;
            $below = $second + self::BOX / 2 + self::GAP + 8;

            return [['top' => self::TOP, 'base' => self::TOP + self::BARS, 'box' => $first], ['top' => $below, 'base' => $below + self::BARS, 'box' => $second]];
        }
        $lane = self::BARS_OF_MANY + self::BOX + 1.5 * self::GAP;

        return array_map(static function (int $i) use ($lane): array {
            $top = self::TOP + $i * $lane;

            return ['top' => $top, 'base' => $top + self::BARS_OF_MANY, 'box' => $top + self::BARS_OF_MANY + self::GAP / 2 + self::BOX / 2];
        }, range(0, max(1, $lanes) - 1));
    }

    /** @param array{top: float, base: float, box: float} $place */
    private static function bars(Scene $scene, PictureSource $of, Bars $bars, int $lane, Scale $x, array $place, float $highest): void
    {
        $labels = $bars->classes->labels($bars->histograms[0]->closed);
        $edges = array_map($x->at(...), $bars->classes->edges());
        $scene->openClipped($x->start, 0, $x->end - $x->start, $place['base'] + 1);
        foreach ($bars->histograms[$lane]->counts as $i => $count) {
            if ($count <= 0) {
                continue;
            }
            $height = $highest === 0.0 ? 0.0 : $bars->heights[$lane][$i] / $highest * ($place['base'] - $place['top']);
            $rows = $of->rowsWhere($bars->classes->condition($of->variable(), $i, $bars->histograms[0]->closed), $lane);
            $text = Counted::of($count, $bars->countDecimals);
            $wide = max(0.5, $edges[$i + 1] - $edges[$i] - 1);
            $scene->rect($edges[$i], $place['base'] - $height, $wide, $height, ['fill' => "lane-{$lane}", 'wash' => 0.36, 'stroke' => "lane-{$lane}", 'thick' => 0.75, 'role' => 'bar', 'id' => (string) $i, 'says' => "{$labels[$i]}: {$text} " . ($text === '1' ? 'row' : 'rows'), 'rows' => $rows]);
            $scene->step($lane, "{$of->names()[$lane]}, {$labels[$i]}: {$text}", $edges[$i], $place['top'], max(2.0, $wide), $place['base'] - $place['top'], $rows);
        }
        $scene->close();
        $scene->line($x->start, $place['base'], $x->end, $place['base'], ['stroke' => 'hair-strong']);
    }

    /**
     * @param list<BoxPlot|null>                               $boxes
     * @param list<array{top: float, base: float, box: float}> $places
     */
    private static function between(Scene $scene, PictureSource $of, array $boxes, Scale $x, array $places): void
    {
        [$one, $other] = $boxes;
        if ($one === null || $other === null) {
            return;
        }
        [$from, $to] = [$places[0]['box'] + self::BOX / 2 + 9, $places[1]['box'] - self::BOX / 2 - 2];
        foreach ([[$one->q1, $other->q1, '4 3', 1.0], [$one->q3, $other->q3, '4 3', 1.0], [$one->median, $other->median, null, 1.75]] as [$a, $b, $dash, $thick]) {
            $scene->line($x->at($a), $from, $x->at($b), $to, ['stroke' => 'ink', 'thick' => $thick, 'dash' => $dash, 'role' => 'slant']);
        }
        [$first, $second] = array_slice($of->columns(), 1);
        $difference = (new ComparedGroups($first, $second, $of->basis()))->difference(Measure::Median);
        $value = $difference->number();
        if ($value !== null) {
            $decimals = $first->values->decimals() === null || $second->values->decimals() === null ? null : max($first->values->decimals(), $second->values->decimals());
            $text = FigureText::signed((float) $value, (new FigureText($of->basis(), $decimals))->inUnit(abs($value), $difference->isOfTheData)) . ' at the median';
            $wide = TextWidth::of($text);
            $right = max($x->at($one->q3), $x->at($other->q3)) + 14;
            $at = $right + $wide <= $x->end ? $right : max($x->start, min($x->at($one->q1), $x->at($other->q1)) - 14 - $wide);
            $scene->text($at, ($from + $to) / 2 + 4, $text, ['fill' => 'ink', 'face' => 'halo', 'role' => 'difference']);
        }
    }

    /**
     * @param array<int, BoxPlot|null> $boxes
     *
     * @return list<list<string>>
     */
    private static function table(PictureSource $of, array $boxes): array
    {
        $rows = [['', ...array_slice($of->names(), 1)]];
        foreach (['lowest' => 'min', 'Q₁' => 'q1', 'median' => 'median', 'Q₃' => 'q3', 'highest' => 'max', 'mean' => 'mean'] as $name => $key) {
            $rows[] = [$name, ...array_values(array_map(static function (?BoxPlot $box) use ($key): string {
                $value = match (true) {
                    $box === null => null,
                    $key === 'min' => $box->min,
                    $key === 'q1' => $box->q1,
                    $key === 'median' => $box->median,
                    $key === 'q3' => $box->q3,
                    $key === 'max' => $box->max,
                    default => $box->mean,
                };

                return $value === null ? '' : Exact::plainText($value);
            }, $boxes))];
        }

        return $rows;
    }
}
