<?php

declare(strict_types=1);

namespace App\Drawing;

use Brick\Math\BigDecimal;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Plots\Axis;
use RowTally\Core\Values\Exact;

/** Points over two axes, with a line or cuts: what the normal Q–Q plot and the ordered strip have in common. */
final class PointsScene
{
    /** Of the rows, at or below a value. */
    public const SHARES = [['at' => 0.0, 'text' => '0 %'], ['at' => 0.25, 'text' => '25 %'], ['at' => 0.5, 'text' => '50 %'], ['at' => 0.75, 'text' => '75 %'], ['at' => 1.0, 'text' => '100 %']];
    public const WIDEST = 672.0;
    public const HEIGHT = 300.0;
    public const TOP = 14.0;
    public const BOTTOM = 44.0;
    public const LEFT = 76.0;
    public const RIGHT = 26.0;
    private const MANY = 300;
    private const POINT = 3.0;

    /** A place on an axis in words: what is seen of it, not a figure. */
    public static function short(float $place): string
    {
        return DecimalText::whole((float) sprintf('%.4g', $place));
    }

    /**
     * @param non-empty-list<array{float, float}>                   $points
     * @param array{string, string}                                 $names  of the axis that lies and of the one that stands
     * @param array{slope: float, intercept: float}|null            $line
     * @param list<array{name: string, share: float, value: float}> $cuts
     */
    public static function draw(array $points, Axis $xAxis, ?Axis $yAxis, array $names, string $title, string $caption, int $lane, float $width, ?array $line, array $cuts): Scene
    {
        [$xName, $yName] = $names;
        $width = min($width, self::WIDEST);
        $base = self::HEIGHT - self::BOTTOM;
        $x = new Scale($xAxis->from, $xAxis->to, self::LEFT, $width - self::RIGHT);
        $y = $yAxis === null ? new Scale(0.0, 1.0, $base, self::TOP) : new Scale($yAxis->from, $yAxis->to, $base, self::TOP);
        $inWords = static fn(int $i): string => "{$xName} " . self::short($points[$i][0]) . ", {$yName} " . self::short($points[$i][1]);
        $scene = new Scene(
            $width,
            self::HEIGHT,
            $title,
            [(count($points) === 1 ? '1 point' : NumberMarks::count(count($points)) . ' points') . ", from {$inWords(0)} to {$inWords(count($points) - 1)}; {$caption}"],
            $caption,
            [[$xName, $yName], ...array_map(static fn(array $point): array => [Exact::plainText($point[0]), Exact::plainText($point[1])], $points)],
        );
        Axes::levels($scene, $yAxis === null ? self::SHARES : $yAxis->ticks, $yName, $y, self::LEFT, $x->end);
        if ($line !== null) {
            $on = static fn(float $at): float => $y->at($line['intercept'] + $line['slope'] * $at);
            $scene->openClipped(self::LEFT, self::TOP, $x->end - self::LEFT, $base - self::TOP);
            $scene->line($x->start, $on($x->from), $x->end, $on($x->to), ['stroke' => 'soft', 'dash' => '5 3', 'role' => 'reference']);
            $scene->close();
        }
        $wide = array_map(static fn(array $cut): float => TextWidth::of($cut['name']) + 6, $cuts);
        $names = Spread::apart(array_map(static fn(array $cut, float $wide): float => $x->at($cut['value']) + 1 + $wide / 2, $cuts, $wide), $wide, self::LEFT, $width);
        foreach ($cuts as $i => $cut) {
            [$cx, $cy] = [$x->at($cut['value']), $y->at($cut['share'])];
            $scene->path('M' . Svg::number(self::LEFT) . ' ' . Svg::number($cy) . 'H' . Svg::number($cx) . 'V' . Svg::number($base), ['stroke' => 'soft', 'dash' => '3 3', 'role' => 'cut', 'id' => $cut['name']]);
            $scene->text($names[$i], $base - 6, $cut['name'], ['anchor' => 'middle', 'face' => 'halo']);
        }
        foreach ($points as $i => $point) {
            [$px, $py] = [$x->at($point[0]), $y->at($point[1])];
            $scene->circle($px, $py, count($points) > self::MANY ? 1.8 : 2.8, ['fill' => "lane-{$lane}", 'opacity' => 0.75, 'role' => 'point', 'id' => (string) $i]);
            $scene->step(0, $inWords($i), $px - self::POINT, $py - self::POINT, 2 * self::POINT, 2 * self::POINT);
        }
        Axes::lying($scene, $xAxis->ticks, $xName, $x, $base);

        return $scene;
    }

    /** That covers them. */
    public static function axisOf(float $from, float $to): Axis
    {
        [$low, $high] = [BigDecimal::of(Exact::shortestText($from)), BigDecimal::of(Exact::shortestText($to))];

        return $low->isEqualTo($high) ? Axis::covering($low->minus(1), $high->plus(1)) : Axis::covering($low, $high);
    }
}
