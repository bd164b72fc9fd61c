<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Plots\Axis;
use RowTally\Core\Plots\DotPlot;
use RowTally\Core\Values\Exact;

/**
 * Dots stacked at their places, a lane for each group, with the mean and the median under them.
 *
 * Definition  see `DotPlot`.
 * When        for few values, or values that repeat: every one is seen.
 * Misleads    Where values lie close together they are put into bins, and a dot may stand for several rows: the caption says so.
 * Source      see `DotPlot`.
 */
final class DotsScene implements Picture
{
    private const WIDEST = 896.0;
    private const LEFT = 108.0;
    private const RIGHT = 26.0;
    private const GAP = 16.0;
    private const TOP = 8.0;
    private const AXIS = 44.0;
    private const LARGEST = 4.5;
    private const TALLEST = 190.0;

    public static function kind(): string
    {
        return 'dots';
    }

    public static function name(): string
    {
        return 'Dot plot';
    }

    public static function options(PictureSource $of, Look $look): array
    {
        return [];
    }

    public static function draw(PictureSource $of, Look $look, float $width): array
    {
        return [DrawnScene::of($of->names()[0], self::of(DotPlot::of($of->columns()), $of->names(), $of->axisName(), $width), 'there is no value to draw')];
    }

    /** @param list<string> $names overall, then each group */
    public static function of(DotPlot $plot, array $names, string $axisName, float $width): ?Scene
    {
        if ($plot->axis === null) {
            return null;
        }
        $width = min($width, self::WIDEST);
        $x = new Scale($plot->axis->from, $plot->axis->to, self::LEFT, $width - self::RIGHT);
        $at = array_map($x->at(...), $plot->at);
        $tallest = array_map(static fn(array $lane): int => max([1, ...$lane['dots']]), $plot->lanes);
        $radius = max(0.8, min(self::LARGEST, Spread::nearest($at, 2 * self::LARGEST) / 2, self::TALLEST / max([1, ...$tallest]) / 2));
        $bottom = self::TOP + array_sum(array_map(static fn(int $dots): float => $dots * 2 * $radius + self::GAP, $tallest));
        $bin = $plot->binWidth === null ? null : Axis::roundText($plot->binWidth);
        $counted = static fn(int $count): string => Exact::plainText($count / 10 ** $plot->countDecimals);
        $inWords = static fn(int $lane, int $column): string => ($bin === null ? 'at ' : 'around ') . PointsScene::short($plot->at[$column]) . ": {$counted($plot->lanes[$lane]['counts'][$column])}" . ($plot->lanes[$lane]['counts'][$column] === 10 ** $plot->countDecimals ? ' row' : ' rows');
        $sentences = [];
        foreach ($plot->lanes as $lane => ['counts' => $counts]) {
            $filled = array_keys(array_filter($counts, static fn(int $count): bool => $count > 0));
            $sentences[] = $filled === [] ? "{$names[$lane]}: no values." : "{$names[$lane]}: dots from " . PointsScene::short($plot->at[$filled[0]]) . ' to ' . PointsScene::short($plot->at[$filled[count($filled) - 1]]) . "; most, {$inWords($lane, (int) array_search(max([0, ...$counts]), $counts, true))}.";
        }
        $scene = new Scene(
            $width,
            $bottom + self::AXIS,
            "{$axisName}: dot plot, " . implode(', ', $names),
            $sentences,
            self::caption(intdiv($plot->perDot, 10 ** $plot->countDecimals), $bin),
            [['Value', ...$names], ...array_map(static fn(int $column): array => [Exact::plainText($plot->at[$column]), ...array_map(static fn(array $lane): string => $counted($lane['counts'][$column]), $plot->lanes)], array_keys($plot->at))],
        );
        $base = self::TOP;
        foreach ($plot->lanes as $i => $lane) {
            $base += $tallest[$i] * 2 * $radius + self::GAP;
            self::lane($scene, $lane, $at, $x, $base - self::GAP / 2, $radius, $i, $names[$i], $inWords);
        }
        Axes::lying($scene, $plot->axis->ticks, $axisName, $x, $bottom);

        return $scene;
    }

    /** What a dot and the marks under the dots stand for. */
    public static function caption(int $perDot, ?string $bin): string
    {
        $rows = NumberMarks::count($perDot);

        return ($rows === '1' ? 'One dot is one row' : "One dot = up to {$rows} rows") . ($bin === null ? '' : ", in bins of {$bin}") . '; ▲ mean, heavy line median.';
    }

    /**
     * @param array{counts: list<int>, dots: list<int>, mean: float|null, median: float|null} $lane
     * @param list<float>                                                                     $at
     * @param callable(int, int): string                                                      $inWords
     */
    private static function lane(Scene $scene, array $lane, array $at, Scale $x, float $base, float $radius, int $i, string $name, callable $inWords): void
    {
        $scene->open('dots', $name);
        foreach ($lane['dots'] as $column => $number) {
            for ($k = 0; $k < $number; ++$k) {
                $scene->circle($at[$column], $base - $radius - $k * 2 * $radius, $radius * 0.92, ['fill' => "lane-{$i}", 'role' => 'dot', 'says' => $inWords($i, $column)]);
            }
            if ($number > 0) {
                $scene->step($i, "{$name}, {$inWords($i, $column)}", $at[$column] - $radius, $base - 2 * $radius * $number, 2 * $radius, 2 * $radius * $number);
            }
        }
        $scene->line($x->start, $base, $x->end, $base, ['stroke' => 'hair-strong']);
        if ($lane['median'] !== null) {
            $scene->line($x->at($lane['median']), $base - 4, $x->at($lane['median']), $base + 7, ['stroke' => 'ink', 'thick' => 3.0, 'role' => 'median']);
        }
        if ($lane['mean'] !== null) {
            $scene->path('M' . Svg::number($x->at($lane['mean'])) . ' ' . Svg::number($base + 1) . 'l4.5 7h-9z', ['fill' => "lane-{$i}", 'role' => 'mean']);
        }
        $scene->text(self::LEFT - 10, $base - 2, TextWidth::fitted($name, self::LEFT - 14), ['anchor' => 'end', 'fill' => 'ink', 'role' => 'lane-name']);
        $scene->close();
    }
}
