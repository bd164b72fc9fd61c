<?php

declare(strict_types=1);

namespace App\Drawing;

use Brick\Math\BigRational;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Grouped\ClassRow;
use RowTally\Core\Grouped\GroupedFigures;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Values\Exact;

/**
 * Classes as bars between their true boundaries, as high as they are dense, with the polygon through their midpoints; the ogive below, quartiles read off it.
 *
 * Definition  the area of a bar is its share: height = percent ÷ width. The ogive rises from boundary to boundary by that share.
 * When        for a table of classes with counts, where the rows are not known.
 * Misleads    Within a class values are taken to lie evenly; the width of an open class is assumed.
 */
final class ClassesScene implements Picture
{
    private const LEFT = 108.0;
    private const NARROW_LEFT = 92.0;
    private const NARROW = 420.0;
    private const RIGHT = 26.0;
    private const BARS = 170.0;
    private const OGIVE = 150.0;
    private const BOX = 16.0;
    private const GAP = 64.0;
    private const TOP = 22.0;
    private const AXIS = 44.0;
    private const QUARTILES = ['q1' => ['Q₁', 25], 'median' => ['median', 50], 'q3' => ['Q₃', 75]];

    public static function kind(): string
    {
        return 'classes';
    }

    public static function name(): string
    {
        return 'Classes with counts';
    }

    public static function options(PictureSource $of, Look $look): array
    {
        $names = $of->classNames();

        return count($names) === 1 ? [] : [new Option('drawn', 'Classes drawn for', 'Drawn: ', array_map(static fn(string $name, int $i): array => ['value' => (string) $i, 'words' => $name], $names, array_keys($names)))];
    }

    public static function draw(PictureSource $of, Look $look, float $width): array
    {
        $column = (int) ($look->word('drawn') ?? '0');
        $name = $of->classNames()[$column] ?? '';

        return [DrawnScene::of($name, self::scene($of->classes(), $column, $name, $of->axisName(), $width), 'there are no classes')];
    }

    private static function scene(GroupedProfile $profile, int $column, string $name, string $axisName, float $width): Scene
    {
        $figures = $profile->columns[$column];
        $rows = $figures->table->rows;
        $axis = $profile->axis();
        $left = $width < self::NARROW ? self::NARROW_LEFT : self::LEFT;
        $x = Scale::ofAxis($axis, $left, $width - self::RIGHT);
        $barsBase = self::TOP + self::BARS;
        $ogiveTop = $barsBase + self::GAP;
        $ogiveBase = $ogiveTop + self::OGIVE;
        $percents = self::percents($figures);
        $density = static fn(int $i): float => $percents[$i] / self::float($rows[$i]->width());
        $highest = max([1e-12, ...array_map($density, array_keys($rows))]);
        $y = static fn(int $i): float => $barsBase - $density($i) / $highest * (self::BARS - 10);
        $count = static fn(int $i): string => Counted::text(self::float($rows[$i]->count));
        $words = static fn(int $i): string => "{$rows[$i]->label}: {$count($i)} (" . DecimalText::of($percents[$i], 1) . ' %)' . ($rows[$i]->isOpen ? ', width assumed' : '');
        $quartiles = self::quartiles($figures);
        $hasOpen = array_filter($rows, static fn(ClassRow $row): bool => $row->isOpen) !== [];
        $upTo = self::runningSums($percents);
        $scene = new Scene(
            $width,
            $ogiveBase + self::AXIS,
            "{$axisName}, {$name}: histogram of classes with polygon, estimated box, and ogive",
            ["{$name}, in " . count($rows) . ' classes.', ...array_map(static fn(array $quartile): string => "{$quartile['name']} " . PointsScene::short($quartile['value']) . '.', $quartiles)],
            'Bars stand between the true boundaries; their areas are the shares. The box is estimated: its ends are the outermost boundaries' . ($hasOpen ? '; a dashed bar is an open class of assumed width' : '') . '.',
            [
                ['Class', 'Lower boundary', 'Upper boundary', 'Count', 'Cumulative %'],
                ...array_map(static fn(ClassRow $row, int $i): array => [$row->label, Exact::plainText(self::float($row->lower)), Exact::plainText(self::float($row->upper)), Exact::plainText(self::float($row->count)), Exact::plainText($upTo[$i])], $rows, array_keys($rows)),
            ],
        );
        $side = ['anchor' => 'end'];
        $scene->text($left - 10, self::TOP + 10, '% per unit', $side);
        $middles = $ogive = [];
        foreach ($rows as $i => $row) {
            $start = $x->at(self::float($row->lower));
            $wide = $x->at(self::float($row->upper)) - $start;
            $pen = $row->isOpen ? ['stroke' => "lane-{$column}", 'dash' => '4 3'] : [];
            $scene->rect($start, $y($i), max(0.5, $wide - 1), $barsBase - $y($i), [...$pen, 'fill' => "lane-{$column}", 'wash' => $row->isOpen ? 0.16 : 0.36, 'role' => 'class', 'id' => $row->label, 'says' => $words($i)]);
            $scene->step(0, $words($i), $start, $y($i), $wide, $barsBase - $y($i));
            $middles[] = Svg::number($x->at(self::float($row->midpoint))) . ' ' . Svg::number($y($i));
        }
        $share = new Scale(0, 100, $ogiveBase, $ogiveTop);
        $scene->path('M' . implode('L', $middles), ['stroke' => "lane-{$column}", 'thick' => 1.5, 'role' => 'polygon']);
        $scene->line($x->start, $barsBase, $x->end, $barsBase, ['stroke' => 'hair-strong']);
        $scene->text($left - 10, $ogiveTop + 4, '100 %', $side);
        $scene->text($left - 10, $ogiveTop + 30, 'up to here', $side);
        foreach ($rows as $i => $row) {
            $ogive[] = 'L' . Svg::number($x->at(self::float($row->upper))) . ' ' . Svg::number($share->at($upTo[$i]));
        }
        $scene->path('M' . Svg::number($x->at(self::float($rows[0]->lower))) . ' ' . Svg::number($share->at(0)) . implode('', $ogive), ['stroke' => "lane-{$column}", 'thick' => 1.75, 'role' => 'ogive']);
        self::box($scene, $figures, $quartiles, $column, $x, $barsBase + 14, $left);
        self::readOff($scene, $quartiles, $x, $share, $left);
        Axes::lying($scene, $axis->ticks, $axisName, $x, $ogiveBase);

        return $scene;
    }

    /** @param list<array{key: string, name: string, percent: int, value: float}> $quartiles */
    private static function box(Scene $scene, GroupedFigures $figures, array $quartiles, int $column, Scale $x, float $top, float $left): void
    {
        $filled = array_values(array_filter($figures->table->rows, static fn(ClassRow $row): bool => $row->count->isPositive()));
        if (count($quartiles) < 3 || $filled === []) {
            return;
        }
        [$low, $high] = [$x->at(self::float($filled[0]->lower)), $x->at(self::float($filled[count($filled) - 1]->upper))];
        [$q1, $q3] = [$x->at($quartiles[0]['value']), $x->at($quartiles[2]['value'])];
        $middle = $top + self::BOX / 2;
        $pen = ['stroke' => "lane-{$column}", 'dash' => '4 3'];
        $scene->open('box', 'estimated');
        $scene->line($low, $middle, $q1, $middle, $pen);
        $scene->line($q3, $middle, $high, $middle, $pen);
        $scene->rect($q1, $top, $q3 - $q1, self::BOX, [...$pen, 'says' => 'Estimated from the classes: quartiles interpolated, ends at the outermost boundaries']);
        $scene->close();
        $scene->text($left - 10, $middle + 4, 'box, estimated', ['anchor' => 'end']);
    }

    /** @param list<array{key: string, name: string, percent: int, value: float}> $quartiles */
    private static function readOff(Scene $scene, array $quartiles, Scale $x, Scale $share, float $left): void
    {
        $at = array_map(static fn(array $quartile): float => $x->at($quartile['value']), $quartiles);
        $places = Spread::apart($at, array_map(static fn(array $quartile): float => TextWidth::of($quartile['name']) + 8, $quartiles), $left - 20, $x->end + self::RIGHT);
        foreach ($quartiles as $i => $quartile) {
            $scene->path('M' . Svg::number($left) . ' ' . Svg::number($share->at($quartile['percent'])) . 'H' . Svg::number($at[$i]) . 'V' . Svg::number(self::TOP), ['stroke' => 'soft', 'dash' => $quartile['key'] === 'median' ? null : '3 3', 'role' => 'quartile', 'id' => $quartile['key']]);
            $scene->text($places[$i], self::TOP - 6, $quartile['name'], ['anchor' => 'middle']);
        }
    }

    /** @return list<array{key: string, name: string, percent: int, value: float}> ascending; those that there are */
    private static function quartiles(GroupedFigures $figures): array
    {
        $found = [];
        foreach (self::QUARTILES as $key => [$name, $percent]) {
            $value = $figures->quantile(BigRational::nd($percent, 100));
            if ($value !== null) {
                $found[] = ['key' => $key, 'name' => $name, 'percent' => $percent, 'value' => self::float($value)];
            }
        }

        return $found;
    }

    /** @return list<float> of each class */
    private static function percents(GroupedFigures $figures): array
    {
        return array_map(static fn(ClassRow $row): float => $figures->n()->isZero() ? 0.0 : self::float($row->count->dividedBy($figures->n())->multipliedBy(100)), $figures->table->rows);
    }

    /**
     * @param list<float> $numbers
     *
     * @return list<float>
     */
    private static function runningSums(array $numbers): array
    {
        $sum = 0.0;

        return array_map(static function (float $number) use (&$sum): float {
            return $sum += $number;
        }, $numbers);
    }

    private static function float(BigRational $ratio): float
    {
        return Exact::toFloat($ratio) ?? 0.0;
    }
}
