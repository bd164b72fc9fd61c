<?php

declare(strict_types=1);

namespace App\Drawing;

/** Axes of values, with their names and units. */
final class Axes
{
    /** Room for a line of words under an axis and its name. */
    public const CAPTION = 20;
    private const CHARACTER = 7.4;
    private const SPACE = 8;
    private const LONGEST_NAME = 60;

    /** @param list<array{at: float, text: string}> $ticks */
    public static function lying(Svg $svg, array $ticks, string $name, Scale $x, float $top): void
    {
        $svg->line($x->start, $top, $x->end, $top, ['stroke' => Palette::INK]);
        $every = self::every($ticks, ($x->end - $x->start) / ($x->to - $x->from));
        $first = self::roundest(array_column($ticks, 'text'), $every);
        foreach ($ticks as $i => $tick) {
            $svg->line($x->at($tick['at']), $top, $x->at($tick['at']), $top + 5, ['stroke' => Palette::INK, 'data-tick' => $tick['text']]);
            if ($i % $every === $first) {
                $svg->text($x->at($tick['at']), $top + 18, $tick['text'], ['text-anchor' => 'middle', 'class' => 'figures']);
            }
        }
        $svg->text($x->end, $top + 37, self::shortened($name, self::LONGEST_NAME), ['text-anchor' => 'end', 'fill' => Palette::INK]);
    }

    /**
     * The same in a scene.
     *
     * @param list<array{at: float, text: string}> $ticks
     */
    public static function lyingIn(Scene $scene, array $ticks, string $name, Scale $x, float $top): void
    {
        $scene->axis('x', false, $x);
        $scene->line($x->start, $top, $x->end, $top, ['stroke' => 'ink', 'role' => 'axis']);
        $every = self::every($ticks, ($x->end - $x->start) / ($x->to - $x->from));
        $first = self::roundest(array_column($ticks, 'text'), $every);
        foreach ($ticks as $i => $tick) {
            $scene->line($x->at($tick['at']), $top, $x->at($tick['at']), $top + 5, ['stroke' => 'ink', 'role' => 'tick', 'id' => $tick['text']]);
            if ($i % $every === $first) {
                $scene->text($x->at($tick['at']), $top + 18, $tick['text'], ['anchor' => 'middle', 'face' => 'figures']);
            }
        }
        $scene->text($x->end, $top + 37, self::shortened($name, self::LONGEST_NAME), ['anchor' => 'end', 'fill' => 'ink', 'role' => 'axis-name']);
    }

    /**
     * Hairlines through the picture with what they stand for, and the name above.
     *
     * @param list<array{at: float, text: string}> $ticks
     */
    public static function levelsIn(Scene $scene, array $ticks, string $name, Scale $y, float $left, float $right): void
    {
        $scene->axis('y', true, $y);
        $every = self::every(array_map(static fn(array $tick): array => ['at' => $tick['at'], 'text' => '00'], $ticks), abs($y->start - $y->end) / ($y->to - $y->from));
        foreach ($ticks as $i => $tick) {
            $scene->line($left, $y->at($tick['at']), $right, $y->at($tick['at']), ['stroke' => 'hair']);
            if ($i % $every === 0) {
                $scene->text($left - 8, $y->at($tick['at']) + 4, $tick['text'], ['anchor' => 'end', 'face' => 'figures']);
            }
        }
        $scene->text($left, $y->end - 3, $name, ['fill' => 'ink', 'role' => 'axis-name']);
    }

    /** With hairlines through the picture. */
    public static function standing(Svg $svg, Geometry $axis, string $name, Scale $y, float $left, float $right): void
    {
        $svg->line($left, $y->start, $left, $y->end, ['stroke' => Palette::INK]);
        foreach (self::ticks($axis) as $tick) {
            $at = $y->at($tick['at']);
            $svg->line($left - 5, $at, $left, $at, ['stroke' => Palette::INK, 'data-tick' => $tick['text']]);
            $svg->line($left, $at, $right, $at, ['stroke' => Palette::HAIR]);
            $svg->text($left - 9, $at + 4, $tick['text'], ['text-anchor' => 'end', 'class' => 'figures']);
        }
        $svg->add('text', ['transform' => 'translate(14 ' . Svg::number(($y->start + $y->end) / 2) . ') rotate(-90)', 'text-anchor' => 'middle', 'fill' => Palette::INK], $name);
    }

    /** @return list<array{at: float, text: string}> */
    public static function ticks(Geometry $axis): array
    {
        return array_map(static fn(Geometry $tick): array => ['at' => $tick->number('at'), 'text' => $tick->text('text')], $axis->parts('ticks'));
    }

    /**
     * 1 when every tick has room for its text, 2 when every other one has, and so on.
     *
     * @param list<array{at: float, text: string}> $ticks
     */
    public static function every(array $ticks, float $pixelsPerUnit): int
    {
        if (count($ticks) < 2) {
            return 1;
        }
        $nearest = Spread::nearest(array_column($ticks, 'at'));
        $widest = max(array_map(mb_strlen(...), array_column($ticks, 'text'))) * self::CHARACTER + self::SPACE;

        // Two that are one as doubles have no room beside each other whatever is left out.
        $room = $nearest * $pixelsPerUnit;

        return $room > 0.0 ? max(1, (int) min(count($ticks), ceil($widest / $room))) : count($ticks);
    }

    /**
     * With which of the first ticks labels begin when every so many have one: so that they are as short, that is as round, as can be.
     *
     * @param list<string> $texts
     */
    private static function roundest(array $texts, int $every): int
    {
        [$best, $shortest] = [0, INF];
        for ($from = 0, $most = min($every, count($texts)); $from < $most; ++$from) {
            $shown = array_filter($texts, static fn(int $i): bool => $i % $every === $from, ARRAY_FILTER_USE_KEY);
            $length = array_sum(array_map(mb_strlen(...), $shown)) / count($shown);
            [$best, $shortest] = $length < $shortest ? [$from, $length] : [$best, $shortest];
        }

        return $best;
    }

    public static function shortened(string $text, int $longest): string
    {
        return mb_strlen($text) > $longest ? mb_substr($text, 0, $longest - 1) . '…' : $text;
    }
}
