<?php

declare(strict_types=1);

namespace App\Drawing;

/** Classes as bars between their true boundaries, as high as they are dense, with the polygon through their midpoints; the ogive below, quartiles read off it. */
final class ClassesPicture
{
    private const LEFT = 108;
    private const RIGHT = 26;
    private const BARS = 170;
    private const OGIVE = 150;
    private const BOX = 16;
    private const GAP = 64;
    private const TOP = 22;
    private const AXIS = 44;
    private const QUARTILES = ['q1' => ['Q₁', 25], 'median' => ['median', 50], 'q3' => ['Q₃', 75]];

    /** @param int $column 0 = overall */
    public static function of(Geometry $grouped, int $column, string $axisName, float $width): string
    {
        $axis = $grouped->part('axis');
        $x = Scale::ofAxis($axis, self::LEFT, $width - self::RIGHT);
        $rows = $grouped->parts('rows');
        $barsBase = self::TOP + self::BARS;
        $ogiveTop = $barsBase + self::GAP;
        $ogiveBase = $ogiveTop + self::OGIVE;
        $svg = new Svg($width, $ogiveBase + self::AXIS, "{$axisName}: histogram of classes with polygon, estimated box, and ogive");
        $density = static fn(Geometry $row): float => $row->numbers('densities')[$column] ?? 0.0;
        $highest = max([1e-12, ...array_map($density, $rows)]);
        $y = static fn(Geometry $row): float => $barsBase - $density($row) / $highest * (self::BARS - 10);
        $colour = Palette::lane($column);
        $svg->text(self::LEFT - 10, self::TOP + 10, '% per unit', ['text-anchor' => 'end']);
        foreach ($rows as $row) {
            $isOpen = $row->is('is_open');
            $left = $x->at($row->number('lower'));
            $svg->rect($left, $y($row), max(0.5, $x->at($row->number('upper')) - $left - 1), $barsBase - $y($row), ['data-class' => $row->text('label'), 'fill' => $colour, 'fill-opacity' => $isOpen ? 0.16 : 0.36, 'stroke' => $isOpen ? $colour : null, 'stroke-dasharray' => $isOpen ? '4 3' : null]);
        }
        $svg->polyline(array_map(static fn(Geometry $row): array => [$x->at($row->number('middle')), $y($row)], $rows), ['data-polygon' => '', 'stroke' => $colour, 'stroke-width' => 1.5]);
        $svg->line($x->start, $barsBase, $x->end, $barsBase, ['stroke' => Palette::STRONG_HAIR]);
        $svg->text(self::LEFT - 10, $ogiveTop + 4, '100 %', ['text-anchor' => 'end']);
        $svg->text(self::LEFT - 10, $ogiveTop + 30, 'up to here', ['text-anchor' => 'end']);
        $share = new Scale(0, 100, $ogiveBase, $ogiveTop);
        $svg->polyline([
            [$x->at($rows[0]->number('lower')), $share->at(0)],
            ...array_map(static fn(Geometry $row): array => [$x->at($row->number('upper')), $share->at($row->numbers('cumulative')[$column] ?? 0.0)], $rows),
        ], ['data-ogive' => '', 'stroke' => $colour, 'stroke-width' => 1.75]);
        self::quartiles($svg, $grouped, $rows, $column, $x, $share, $barsBase + 14);
        Axes::lying($svg, Axes::ticks($axis), $axisName, $x, $ogiveBase);

        return $svg->document();
    }

    /** @param list<Geometry> $rows */
    private static function quartiles(Svg $svg, Geometry $grouped, array $rows, int $column, Scale $x, Scale $share, float $boxTop): void
    {
        /** @var array<key-of<self::QUARTILES>, float> $values ascending, as the table of figures has them */
        $values = [];
        foreach ($grouped->parts('figures') as $figure) {
            $value = isset(self::QUARTILES[$figure->text('key')]) ? $figure->parts('values')[$column]->numberOrNull('value') : null;
            $values += $value === null ? [] : [$figure->text('key') => $value];
        }
        $filled = array_values(array_filter($rows, static fn(Geometry $row): bool => ($row->numbers('counts')[$column] ?? 0.0) > 0));
        if (isset($values['q1'], $values['median'], $values['q3'])) {
            [$low, $high] = [$x->at($filled[0]->number('lower')), $x->at($filled[count($filled) - 1]->number('upper'))];
            [$q1, $q3] = [$x->at($values['q1']), $x->at($values['q3'])];
            $middle = $boxTop + self::BOX / 2;
            $svg->open(['data-box' => 'estimated', 'stroke' => Palette::lane($column), 'stroke-dasharray' => '4 3', 'fill' => 'none']);
            $svg->line($low, $middle, $q1, $middle, []);
            $svg->line($q3, $middle, $high, $middle, []);
            $svg->rect($q1, $boxTop, $q3 - $q1, self::BOX, []);
            $svg->close();
            $svg->text(self::LEFT - 10, $middle + 4, 'box, estimated', ['text-anchor' => 'end']);
        }
        $at = array_values(array_map($x->at(...), $values));
        $keys = array_keys($values);
        $places = Spread::apart($at, array_map(static fn(string $key): float => 7 * mb_strlen(self::QUARTILES[$key][0]) + 10, $keys), self::LEFT - 20, $x->end + self::RIGHT);
        foreach ($keys as $i => $key) {
            [$name, $percent] = self::QUARTILES[$key];
            $svg->add('path', ['data-quartile' => $key, 'd' => 'M' . self::LEFT . ' ' . Svg::number($share->at($percent)) . 'H' . Svg::number($at[$i]) . 'V' . self::TOP, 'fill' => 'none', 'stroke' => Palette::SOFT, 'stroke-dasharray' => $key === 'median' ? null : '3 3']);
            $svg->text($places[$i], self::TOP - 6, $name, ['text-anchor' => 'middle']);
        }
    }
}
