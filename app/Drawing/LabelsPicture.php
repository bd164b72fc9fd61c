<?php

declare(strict_types=1);

namespace App\Drawing;

/** Bars of labels in the order of their table, in count or percent; by group side by side or stacked; or with a line of cumulative percent. */
final class LabelsPicture
{
    private const WIDEST = 768;
    private const BAR = 20;
    private const THIN = 14;
    private const GAP = 9;
    private const RIGHT = 110;
    private const NAMES = 150;
    private const MOST = 60;
    private const NAME = 24;
    private const KEY = 18;

    /**
     * @param Geometry     $table of frequencies
     * @param list<string> $names overall, then each group
     * @param list<string> $look  of percent, stacked, cumulative
     */
    public static function of(Geometry $table, array $names, string $axisName, array $look, float $width): string
    {
        $width = min($width, self::WIDEST);
        $isSplit = count($names) > 1;
        $isStacked = $isSplit && in_array('stacked', $look, true);
        $isBeside = $isSplit && !$isStacked;
        $isPercent = in_array('percent', $look, true);
        $rows = array_slice($table->parts('rows'), 0, self::MOST);
        $columns = $isSplit ? range(1, count($names) - 1) : [0];
        $value = static fn(Geometry $row, int $column): float => $row->numbers($isPercent ? 'percent' : 'counts')[$column];
        $highest = max([1e-9, ...array_map(static function (Geometry $row) use ($columns, $value, $isStacked): float {
            $values = array_map(static fn(int $column): float => $value($row, $column), $columns);

            return $isStacked ? array_sum($values) : max($values);
        }, $rows)]);
        $x = new Scale(0, $highest, 0, $width - self::NAMES - self::RIGHT);
        $each = $isBeside ? self::THIN * count($columns) : self::BAR;
        $height = count($rows) * ($each + self::GAP) + self::GAP;
        $svg = new Svg($width, $height + ($isStacked ? self::KEY * count($columns) : 0), "{$axisName}: bars of " . count($rows) . ' labels');
        foreach ($rows as $r => $row) {
            $top = self::GAP + $r * ($each + self::GAP);
            $svg->text(self::NAMES - 8, $top + $each / 2 + 4, Axes::shortened($row->text('label'), self::NAME), ['text-anchor' => 'end', 'fill' => Palette::INK]);
            $before = 0.0;
            foreach ($columns as $k => $column) {
                $long = $x->at($value($row, $column));
                $left = self::NAMES + ($isStacked ? $before : 0);
                $before += $long;
                $y = $isBeside ? $top + $k * self::THIN : $top;
                $svg->rect($left, $y, $long, $isBeside ? self::THIN - 1 : self::BAR, ['data-label-bar' => "{$row->text('label')} " . ($names[$column] ?? ''), 'fill' => Palette::lane($column), 'fill-opacity' => 0.55, 'stroke' => $isStacked ? Palette::PAPER : null]);
                if (!$isStacked) {
                    $shown = $isPercent ? ($row->texts('percent')[$column] === '' ? '–' : $row->texts('percent')[$column]) . ' %' : self::written($row->numbers('counts')[$column]);
                    $svg->text($left + $long + 5, $y + ($isSplit ? self::THIN / 2 + 3 : self::BAR / 2 + 4), $isSplit ? "{$shown}  {$names[$column]}" : $shown);
                }
            }
        }
        if (!$isSplit && in_array('cumulative', $look, true)) {
            $svg->polyline(array_map(static fn(int $r, Geometry $row): array => [self::NAMES + $x->end * $row->numbers('cumulative')[0] / 100, self::GAP + $r * ($each + self::GAP) + self::BAR / 2.0], array_keys($rows), $rows), ['data-cumulative' => '', 'stroke' => Palette::ACCENT, 'stroke-width' => 1.75]);
        }
        $svg->line(self::NAMES, 0, self::NAMES, $height, ['stroke' => Palette::STRONG_HAIR]);
        foreach ($isStacked ? $columns : [] as $k => $column) {
            $svg->rect(self::NAMES, $height + self::KEY * $k + 2, 10, 10, ['fill' => Palette::lane($column), 'fill-opacity' => 0.55]);
            $svg->text(self::NAMES + 16, $height + self::KEY * $k + 11, $names[$column]);
        }

        return $svg->document();
    }

    /** A count, which need not be whole: to a thousandth. */
    private static function written(float $count): string
    {
        return number_format($count, $count === floor($count) ? 0 : 3);
    }
}
