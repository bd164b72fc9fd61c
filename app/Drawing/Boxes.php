<?php

declare(strict_types=1);

namespace App\Drawing;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Formula\Condition;
use RowTally\Core\Plots\Axis;
use RowTally\Core\Plots\BoxPlot;
use RowTally\Core\Values\Exact;

/** Boxes of box plots: whiskers, a heavy median, a triangle for the mean, rings and diamonds for outliers; and what they say. */
final class Boxes
{
    public const FIVE = ['minimum', 'Q₁', 'median', 'Q₃', 'maximum'];
    private const DECIMALS = 4;

    /** One box around the middle of its lane. Where several follow, each has its own group. */
    public static function draw(Scene $scene, BoxPlot $box, PictureSource $of, int $lane, Scale $along, float $middle, float $half, bool $isUpright = false, bool $hasNotches = false, bool $isToExtremes = false): void
    {
        $at = static fn(float $value, float $off): array => $isUpright ? [$middle + $off, $along->at($value)] : [$along->at($value), $middle + $off];
        $line = static function (array ...$points) use ($at): string {
            /** @var list<array{float, float}> $points */
            $places = array_map(static fn(array $point): array => $at(...$point), $points);

            return 'M' . implode('L', array_map(static fn(array $place): string => Svg::number($place[0]) . ' ' . Svg::number($place[1]), $places));
        };
        [$q1, $median, $q3] = [$box->q1, $box->median, $box->q3];
        [$low, $high] = $isToExtremes ? [$box->min, $box->max] : [$box->whiskerLow, $box->whiskerHigh];
        $waist = $half * 0.5;
        $cap = $half * 0.55;
        $outline = $hasNotches
            ? $line([$q1, -$half], [$box->notchLow, -$half], [$median, -$waist], [$box->notchHigh, -$half], [$q3, -$half], [$q3, $half], [$box->notchHigh, $half], [$median, $waist], [$box->notchLow, $half], [$q1, $half])
            : $line([$q1, -$half], [$q3, -$half], [$q3, $half], [$q1, $half]);
        $across = $hasNotches ? $waist : $half;
        $pen = ['stroke' => "lane-{$lane}", 'thick' => 1.5];
        $scene->path($line([$low, 0], [$q1, 0]) . $line([$q3, 0], [$high, 0]), $pen);
        $scene->path($line([$low, -$cap], [$low, $cap]), [...$pen, 'role' => 'whisker', 'id' => 'low']);
        $scene->path($line([$high, -$cap], [$high, $cap]), [...$pen, 'role' => 'whisker', 'id' => 'high']);
        $scene->path($outline . 'Z', [...$pen, 'fill' => 'surface', 'role' => 'box']);
        $scene->path($line([$median, -$across], [$median, $across]), [...$pen, 'thick' => 3.5, 'role' => 'median']);
        $unit = self::inUnit($of);
        $five = self::five($box);
        for ($i = 0; $i < 4; ++$i) {
            $scene->path($line([$five[$i]['at'], -$half], [$five[$i + 1]['at'], -$half], [$five[$i + 1]['at'], $half], [$five[$i]['at'], $half]) . 'Z', ['fill' => 'surface', 'wash' => 0.0, 'role' => 'quarter', 'id' => (string) ($i + 1), 'says' => "A quarter of the rows lie between {$five[$i]['text']} and {$five[$i + 1]['text']}{$unit}"]);
        }
        foreach ($isToExtremes ? [] : $box->outliers->marks as $mark) {
            [$x, $y] = $at((float) (string) $mark['value'], 0);
            self::outlier($scene, $x, $y, "lane-{$lane}", $mark['far'], [
                'role' => 'outlier',
                'id' => $mark['far'] ? 'far' : 'near',
                'says' => DecimalText::plain($mark['value']) . $unit . ($mark['count'] > 1 ? ', ' . Counted::things($mark['count'], 'row') : ''),
                'rows' => $of->rowsWhere(Condition::from($of->variable(), $mark['value'], $mark['value']), $lane),
            ]);
        }
        if ($box->mean !== null) {
            [$x, $y] = $at($box->mean, $half + 1);
            self::mean($scene, $x, $y, "lane-{$lane}", $isUpright);
        }
    }

    /** A small triangle that points at the mean, from below or, on a standing axis, from the right. */
    public static function mean(Scene $scene, float $x, float $y, string $ink, bool $isUpright = false, ?string $role = 'mean'): void
    {
        $scene->path('M' . Svg::number($x) . ' ' . Svg::number($y) . ($isUpright ? 'l7 4.5v-9z' : 'l4.5 7h-9z'), ['fill' => $ink, 'role' => $role]);
    }

    /**
     * An open ring, or beyond the outer fence a filled diamond.
     *
     * @param array<string, string|float|int|null> $look
     */
    public static function outlier(Scene $scene, float $x, float $y, string $ink, bool $isFar, array $look): void
    {
        $isFar
            ? $scene->path('M' . Svg::number($x) . ' ' . Svg::number($y - 5) . 'l5 5-5 5-5-5z', ['fill' => $ink, ...$look])
            : $scene->circle($x, $y, 3.6, ['fill' => 'surface', 'wash' => 0.0, 'stroke' => $ink, 'thick' => 1.5, ...$look]);
    }

    /** @return non-empty-list<array{at: float, text: string}> minimum, quartiles, maximum, for words about a picture: the figures are in the table */
    public static function five(BoxPlot $box): array
    {
        return array_map(static fn(float $number): array => ['at' => $number, 'text' => self::short($number)], [$box->min, $box->q1, $box->median, $box->q3, $box->max]);
    }

    /** From where to where it is, where its middle half lies, and what is beyond. */
    public static function sentence(BoxPlot $box): string
    {
        [$low, $q1, $median, $q3, $high] = array_column(self::five($box), 'text');

        return "from {$low} to {$high}, half of them between {$q1} and {$q3}, median {$median}";
    }

    public static function beyond(BoxPlot $box): string
    {
        return $box->outliers->total === 0 ? '' : '; ' . Counted::things($box->outliers->total, 'value') . ' beyond the fences';
    }

    /**
     * The key to marks that occur.
     *
     * @param list<BoxPlot> $boxes
     *
     * @return list<array{sign: string, words: string}>
     */
    public static function key(array $boxes, PictureSource $of): array
    {
        $marks = array_merge(...array_map(static fn(BoxPlot $box): array => array_column($box->outliers->marks, 'far'), $boxes));
        $fence = $of->basis()->fence();
        $isNear = in_array(false, $marks, true);

        return [
            ['sign' => 'mean', 'words' => 'mean'],
            ['sign' => 'median', 'words' => 'median'],
            ...($isNear ? [['sign' => 'near', 'words' => "beyond {$fence} interquartile ranges"]] : []),
            ...(in_array(true, $marks, true) ? [['sign' => 'far', 'words' => 'beyond ' . DecimalText::whole(BigDecimal::of($of->basis()->outerFence())) . ($isNear ? '' : ' interquartile ranges')]] : []),
        ];
    }

    private static function short(float $number): string
    {
        return Axis::roundText(BigDecimal::of(Exact::shortestText($number))->toScale(self::DECIMALS, RoundingMode::HALF_UP));
    }

    private static function inUnit(PictureSource $of): string
    {
        return $of->unit() === null ? '' : " {$of->unit()}";
    }
}
