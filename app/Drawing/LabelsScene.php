<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Formula\Condition;
use RowTally\Core\Frequency\FrequencyTable;

/**
 * Bars of labels in the order of their table, in count or percent; by group side by side or stacked; or with a line of cumulative percent.
 *
 * Definition  a bar is as long as its count, or as its share of those that have an entry.
 * When        for categories: how many rows have each label.
 * Misleads    Groups of unlike sizes cannot be compared in counts: choose percent.
 */
final class LabelsScene implements Picture
{
    private const WIDEST = 768.0;
    private const BAR = 20.0;
    private const THIN = 14.0;
    private const GAP = 9.0;
    /** Of the whole width, names of labels have so much at most. */
    private const NAMES = 150.0;
    private const NAMES_SHARE = 0.36;
    private const SPACE = 5.0;
    private const LEAST = 40.0;
    private const MOST = 60;
    /** So many labels are told in sentences; all are walked through. */
    private const TOLD = 5;

    public static function kind(): string
    {
        return 'labels';
    }

    public static function name(): string
    {
        return 'Bars of labels';
    }

    public static function options(PictureSource $of, Look $look): array
    {
        $isSplit = count($of->names()) > 1;

        return [self::unit($isSplit), self::arrangement($isSplit)];
    }

    public static function draw(PictureSource $of, Look $look, float $width): array
    {
        $isSplit = count($of->names()) > 1;
        $table = $of->labels();

        return [DrawnScene::of($of->names()[0], $table->labels === [] ? null : self::scene($table, $of, $look->of(self::unit($isSplit)) === 'percent', $look->of(self::arrangement($isSplit)), min($width, self::WIDEST)), 'there is no label to draw')];
    }

    private static function unit(bool $isSplit): Option
    {
        return new Option('in', 'Bars in', 'Bars in ', [['value' => 'count', 'words' => 'counts'], ['value' => 'percent', 'words' => $isSplit ? 'percent of each group' : 'percent of those present']]);
    }

    private static function arrangement(bool $isSplit): Option
    {
        return new Option('bars', 'Bars are', ', ', $isSplit
            ? [['value' => 'side', 'words' => 'groups side by side'], ['value' => 'stacked', 'words' => 'groups stacked']]
            : [['value' => 'side', 'words' => 'plain'], ['value' => 'cumulative', 'words' => 'with a cumulative line', 'sentence' => 'Most telling in the order of count.']]);
    }

    private static function scene(FrequencyTable $table, PictureSource $of, bool $isPercent, string $kind, float $width): Scene
    {
        $names = $of->names();
        $isSplit = count($names) > 1;
        $isStacked = $kind === 'stacked';
        $isBeside = $isSplit && !$isStacked;
        $labels = array_slice($table->labels, 0, self::MOST);
        $columns = $isSplit ? range(1, count($names) - 1) : [0];
        $value = static fn(int $row, int $column): float => $isPercent ? 100 * $table->counts[$column][$row] / max(1, $table->total($column)) : $table->counts[$column][$row] / 10 ** $table->countDecimals;
        $shown = static fn(int $row, int $column): string => $isPercent ? ($table->percentOfPresent($column, $row) ?? '–') . ' %' : Counted::of($table->counts[$column][$row], $table->countDecimals);
        $highest = max([1e-9, ...array_map(static function (int $row) use ($columns, $value, $isStacked): float {
            $values = array_map(static fn(int $column): float => $value($row, $column), $columns);

            return $isStacked ? array_sum($values) : max($values);
        }, array_keys($labels))]);
        $left = min(self::NAMES, $width * self::NAMES_SHARE, TextWidth::widest($labels) + 8);
        $behind = $isStacked ? 0.0 : max([0.0, ...array_map(static fn(int $row): float => TextWidth::widest(array_map(static fn(int $column): string => $shown($row, $column), $columns), TextWidth::FIGURES), array_keys($labels))]);
        // Names of groups stand behind their bars while they leave these some room.
        $nameRoom = $isBeside ? max(0.0, min(TextWidth::widest($names) + 2 * self::SPACE, ($width - $left) / 3)) : 0.0;
        $x = new Scale(0, $highest, 0, max(self::LEAST, $width - $left - $behind - $nameRoom - 2 * self::SPACE));
        $each = $isBeside ? self::THIN * count($columns) : self::BAR;
        $height = count($labels) * ($each + self::GAP) + self::GAP;
        $key = $isStacked ? array_map(static fn(int $column): array => ['sign' => 'swatch', 'words' => $names[$column], 'lane' => $column], $columns) : [];
        $scene = new Scene(
            $width,
            $height + Key::height($key, $width - $left),
            "{$of->axisName()}: bars of " . count($labels) . ' labels',
            array_map(static fn(int $row): string => "{$labels[$row]}: " . implode(', ', array_map(static fn(int $column): string => "{$names[$column]} {$shown($row, $column)}", $columns)) . '.', array_slice(array_keys($labels), 0, self::TOLD)),
            count($table->labels) > self::MOST ? 'The first ' . self::MOST . ' labels; all are in the table.' : '',
            [['Label', ...$names], ...array_map(static fn(int $row, string $label): array => [$label, ...array_map(static fn(array $counts): string => Counted::plain($counts[$row], $table->countDecimals), $table->counts)], array_keys($table->labels), $table->labels)],
        );
        foreach ($labels as $row => $label) {
            $top = self::GAP + $row * ($each + self::GAP);
            $scene->text($left - 8, $top + $each / 2 + 4, TextWidth::fitted($label, $left - 8), ['anchor' => 'end', 'fill' => 'ink', 'role' => 'label', 'says' => $label]);
            $before = 0.0;
            foreach ($columns as $k => $column) {
                $long = $x->at($value($row, $column));
                $start = $left + ($isStacked ? $before : 0);
                $before += $long;
                $y = $isBeside ? $top + $k * self::THIN : $top;
                $high = $isBeside ? self::THIN - 1 : self::BAR;
                $words = "{$label}, {$names[$column]}: {$shown($row, $column)}";
                $rows = $of->rowsWhere(Condition::label($of->variable(), $label), $column);
                $scene->rect($start, $y, $long, $high, ['fill' => "lane-{$column}", 'wash' => 0.55, 'stroke' => "lane-{$column}", 'thick' => 1.25, 'dash' => $isSplit ? Palette::dash($column) : null, 'role' => 'label-bar', 'id' => "{$label} {$names[$column]}", 'says' => $words, 'rows' => $rows]);
                $scene->step($row, $words, $start, $y, $long, $high, $rows);
                if (!$isStacked) {
                    $line = $y + ($isSplit ? self::THIN / 2 + 3 : self::BAR / 2 + 4);
                    $scene->text($start + $long + self::SPACE, $line, $shown($row, $column), ['face' => 'figures']);
                    $name = $isBeside ? TextWidth::fitted($names[$column], $nameRoom - 2 * self::SPACE) : '…';
                    if ($name !== '…') {
                        $scene->text($start + $long + 2 * self::SPACE + TextWidth::of($shown($row, $column), TextWidth::FIGURES), $line, $name);
                    }
                }
            }
        }
        if ($kind === 'cumulative') {
            $scene->path('M' . implode('L', array_map(
                static fn(int $row): string => Svg::number($left + $x->end * $table->upTo(0, $row) / max(1, $table->total(0))) . ' ' . Svg::number(self::GAP + $row * ($each + self::GAP) + self::BAR / 2.0),
                array_keys($labels),
            )), ['stroke' => 'accent', 'thick' => 1.75, 'role' => 'cumulative']);
        }
        $scene->line($left, 0, $left, $height, ['stroke' => 'hair-strong']);
        Key::draw($scene, $key, $left, $height, $width - $left);

        return $scene;
    }
}
