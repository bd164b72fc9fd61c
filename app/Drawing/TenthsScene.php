<?php

declare(strict_types=1);

namespace App\Drawing;

use Brick\Math\BigDecimal;
use RowTally\Core\Comparison\ComparedGroups;
use RowTally\Core\Comparison\Measure;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Plots\Axis;
use RowTally\Core\Values\Exact;

/**
 * How much more each group has than the first at the same place in the order: at 10 %, 20 %, … 90 %.
 *
 * Definition  the percentile of a group less the same percentile of the first, by the rule for quartiles of the basis.
 * When        to see whether a difference is the same for low and high values.
 * Misleads    The outer tenths rest on few rows; groups of few values wander there by chance.
 * Source      Doksum, Annals of Statistics 2 (1974) 267–277: the shift function.
 */
final readonly class TenthsScene implements Picture
{
    private const LEFT = 64.0;
    private const RIGHT = 26.0;
    private const TOP = 46.0;
    private const ROOM = 170.0;
    private const BOTTOM = 46.0;
    private const RADIUS = 4.0;

    public static function kind(): string
    {
        return 'tenths';
    }

    public static function name(): string
    {
        return 'Difference at each tenth';
    }

    public static function options(PictureSource $of, Look $look): array
    {
        return [];
    }

    public static function draw(PictureSource $of, Look $look, float $width): array
    {
        $columns = $of->columns();
        $compared = [];
        foreach (array_slice($columns, 2, null, true) as $lane => $column) {
            if ($columns[1]->n() > 0 && $column->n() > 0) {
                $compared[$lane] = new ComparedGroups($columns[1], $column, $of->basis());
            }
        }
        $names = $of->names();

        return [DrawnScene::of($of->axisName(), $compared === [] ? null : self::scene($of, $compared, $names[1], $names, $width), count($columns) < 3 ? 'it takes two groups' : 'one of the two has no values')];
    }

    /**
     * @param non-empty-array<int, ComparedGroups> $compared by lane
     * @param list<string>                         $names
     */
    private static function scene(PictureSource $of, array $compared, string $first, array $names, float $width): ?Scene
    {
        $tenths = array_map(static fn(ComparedGroups $pair): array => array_map(static fn(int $tenth): float => (float) ($pair->atTenth($tenth)->number() ?? 0.0), range(1, 9)), $compared);
        $all = array_merge(...array_values($tenths));
        [$low, $high] = [min(0.0, ...$all), max(0.0, ...$all)];
        $axis = Axis::covering(BigDecimal::of(Exact::shortestText($low)), BigDecimal::of(Exact::shortestText($low === $high ? $high + 1.0 : $high)));
        if ($axis->from >= $axis->to) {
            return null;
        }
        $y = Scale::ofAxis($axis, self::TOP + self::ROOM, self::TOP);
        $x = new Scale(10.0, 90.0, self::LEFT + 26, $width - self::RIGHT);
        $key = count($compared) === 1
            ? self::ofTheMeans($of, $compared[array_key_first($compared)], $y)
            : array_map(static fn(int $lane): array => ['sign' => 'line', 'words' => "{$names[$lane]} less {$first}", 'lane' => $lane], array_keys($compared));
        $bottom = self::TOP + self::ROOM;
        $table = [['Place in the order', ...array_map(static fn(int $lane): string => "{$names[$lane]} less {$first}", array_keys($compared))]];
        foreach (range(1, 9) as $tenth) {
            $table[] = [10 * $tenth . ' %', ...array_values(array_map(static fn(array $own): string => Exact::plainText($own[$tenth - 1]), $tenths))];
        }
        $unit = $of->unit() === null ? '' : " ({$of->unit()})";
        $sentences = array_map(static fn(int $lane): string => "{$names[$lane]} less {$first}: from " . DecimalText::whole($tenths[$lane][0]) . ' at 10 % to ' . DecimalText::whole($tenths[$lane][8]) . ' at 90 %.', array_keys($tenths));
        $scene = new Scene($width, $bottom + self::BOTTOM + Key::height($key, $width - self::LEFT), "{$of->axisName()}: difference at each tenth", $sentences, 'Percentiles by ' . $of->basis()->quartileRule->words() . '.', $table);
        $level = TextWidth::fitted('difference' . $unit, $width / 2);
        Axes::levels($scene, array_map(static fn(array $tick): array => ['at' => $tick['at'], 'text' => $tick['at'] > 0 ? "+{$tick['text']}" : $tick['text']], $axis->ticks), '', $y, self::LEFT, $width - self::RIGHT);
        $scene->text(0.0, 14.0, $level, ['fill' => 'ink', 'role' => 'axis-name']);
        $scene->line(self::LEFT, $y->at(0.0), $width - self::RIGHT, $y->at(0.0), ['stroke' => 'ink', 'role' => 'axis']);
        foreach (range(1, 9) as $tenth) {
            $scene->text($x->at(10.0 * $tenth), $bottom + 18, 10 * $tenth . ($width < 420 ? '' : ' %'), ['anchor' => 'middle', 'face' => 'figures']);
        }
        $scene->text($width - self::RIGHT, $bottom + 36, 'place in the order', ['anchor' => 'end', 'fill' => 'ink', 'role' => 'axis-name']);
        foreach ($compared as $lane => $pair) {
            self::line($scene, $of, $pair, $lane, $tenths[$lane], $x, $y, count($compared) === 1, $names[$lane]);
        }
        Key::draw($scene, $key, self::LEFT, $bottom + self::BOTTOM, $width - self::LEFT);

        return $scene;
    }

    /** @return list<array{sign: string, words: string}> what the dotted line stands for */
    private static function ofTheMeans(PictureSource $of, ComparedGroups $pair, Scale $y): array
    {
        $mean = $pair->difference(Measure::Mean)->number();

        return $mean === null || $mean < $y->from || $mean > $y->to ? [] : [['sign' => 'dotted', 'words' => 'difference of the means, ' . FigureText::signed((float) $mean, self::display($of, $pair)->inUnit(abs($mean)))]];
    }

    private static function display(PictureSource $of, ComparedGroups $pair): FigureText
    {
        [$first, $second] = [$pair->first->values->decimals(), $pair->second->values->decimals()];

        return new FigureText($of->basis(), $first === null || $second === null ? null : max($first, $second));
    }

    /** @param list<float> $tenths */
    private static function line(Scene $scene, PictureSource $of, ComparedGroups $pair, int $lane, array $tenths, Scale $x, Scale $y, bool $isAlone, string $name): void
    {
        $display = self::display($of, $pair);
        $mean = $pair->difference(Measure::Mean)->number();
        if ($isAlone && $mean !== null && $mean >= $y->from && $mean <= $y->to) {
            $scene->line(self::LEFT, $y->at((float) $mean), $x->end, $y->at((float) $mean), ['stroke' => 'accent', 'dash' => '2 3', 'role' => 'mean-difference']);
        }
        $points = array_map(static fn(int $i): array => [$x->at(10.0 * ($i + 1)), $y->at($tenths[$i])], range(0, 8));
        $scene->path('M' . implode('L', array_map(static fn(array $point): string => Svg::number($point[0]) . ' ' . Svg::number($point[1]), $points)), ['stroke' => "lane-{$lane}", 'thick' => 1.75, 'dash' => $isAlone ? null : Palette::dash($lane), 'role' => 'tenths', 'id' => (string) $lane]);
        $room = ($x->end - $x->start) / 8;
        foreach ($points as $i => [$at, $height]) {
            $text = FigureText::signed($tenths[$i], $display->inUnit(abs($tenths[$i])));
            // On the picture with the decimals of the data: nine numbers stand side by side.
            $short = FigureText::signed($tenths[$i], $display->inUnit(abs($tenths[$i]), true));
            $scene->circle($at, $height, self::RADIUS, ['fill' => "lane-{$lane}", 'role' => 'tenth', 'id' => (string) (10 * ($i + 1)), 'says' => "{$name} at " . 10 * ($i + 1) . " %: {$text}"]);
            $scene->step($lane, "{$name} at " . 10 * ($i + 1) . " %: {$text}", $at - 8, $height - 8, 16, 16);
            if ($isAlone && TextWidth::of($short, TextWidth::FIGURES) + 6 < $room) {
                $scene->text($at, $height - 10, $short, ['anchor' => 'middle', 'face' => 'figures halo']);
            }
        }
    }
}
