<?php

declare(strict_types=1);

namespace App\Drawing;

/** Points over two axes, with lines: the normal Q–Q plot and the ordered strip. */
final class PointsPicture
{
    private const WIDEST = 672;
    private const HEIGHT = 300;
    private const TOP = 14;
    private const BOTTOM = 44;
    private const LEFT = 76;
    private const RIGHT = 26;
    private const MANY = 300;

    /** @param Geometry $column of the normal Q–Q plots, with axes */
    public static function qq(Geometry $column, string $axisName, int $lane, float $width): string
    {
        $axes = $column->part('axes');

        return self::draw($column->points('points'), $axes->part('z'), $axes->part('value'), 'z expected of a normal distribution', $axisName, $lane, $width, $column->partOrNull('line'), []);
    }

    /** @param Geometry $column of the ordered strips */
    public static function strip(Geometry $column, Geometry $axis, string $axisName, int $lane, float $width): string
    {
        $shares = Geometry::ofJson('{"from": 0, "to": 1, "ticks": [{"at": 0, "text": "0 %"}, {"at": 0.25, "text": "25 %"}, {"at": 0.5, "text": "50 %"}, {"at": 0.75, "text": "75 %"}, {"at": 1, "text": "100 %"}]}');

        return self::draw(array_map(array_reverse(...), $column->points('points')), $axis, $shares, $axisName, 'share of the rows, in order', $lane, $width, null, $column->parts('cuts'));
    }

    /**
     * @param list<list<float>> $points
     * @param list<Geometry>    $cuts
     */
    private static function draw(array $points, Geometry $xAxis, Geometry $yAxis, string $xName, string $yName, int $lane, float $width, ?Geometry $line, array $cuts): string
    {
        $width = min($width, self::WIDEST);
        $base = self::HEIGHT - self::BOTTOM;
        $x = Scale::ofAxis($xAxis, self::LEFT, $width - self::RIGHT);
        $y = Scale::ofAxis($yAxis, $base, self::TOP);
        $svg = new Svg($width, self::HEIGHT, "{$yName} over {$xName}");
        $ticks = Axes::ticks($yAxis);
        $every = Axes::every(array_map(static fn(array $tick): array => ['at' => $tick['at'], 'text' => '00'], $ticks), ($base - self::TOP) / ($y->to - $y->from));
        foreach ($ticks as $i => $tick) {
            $svg->line($x->start, $y->at($tick['at']), $x->end, $y->at($tick['at']), ['stroke' => Palette::HAIR]);
            if ($i % $every === 0) {
                $svg->text(self::LEFT - 8, $y->at($tick['at']) + 4, $tick['text'], ['text-anchor' => 'end', 'class' => 'figures']);
            }
        }
        $svg->text(self::LEFT, self::TOP - 3, $yName, ['fill' => Palette::INK]);
        if ($line !== null) {
            $on = static fn(float $at): float => $y->at($line->number('intercept') + $line->number('slope') * $at);
            $svg->openClipped(self::LEFT, self::TOP, $x->end - self::LEFT, $base - self::TOP);
            $svg->line($x->start, $on($x->from), $x->end, $on($x->to), ['data-reference' => '', 'stroke' => Palette::SOFT, 'stroke-dasharray' => '5 3']);
            $svg->close();
        }
        foreach ($cuts as $cut) {
            [$cx, $cy] = [$x->at($cut->number('value')), $y->at($cut->number('share'))];
            $svg->add('path', ['data-cut' => $cut->text('name'), 'd' => 'M' . self::LEFT . ' ' . Svg::number($cy) . 'H' . Svg::number($cx) . 'V' . $base, 'fill' => 'none', 'stroke' => Palette::SOFT, 'stroke-dasharray' => '3 3']);
            $svg->text($cx + 4, $base - 6, $cut->text('name'), ['class' => 'halo']);
        }
        foreach ($points as $i => $point) {
            $svg->add('circle', ['data-point' => $i, 'cx' => $x->at($point[0] ?? 0.0), 'cy' => $y->at($point[1] ?? 0.0), 'r' => count($points) > self::MANY ? 1.8 : 2.8, 'fill' => Palette::lane($lane), 'fill-opacity' => 0.75]);
        }
        Axes::lying($svg, Axes::ticks($xAxis), $xName, $x, $base);

        return $svg->document();
    }
}
