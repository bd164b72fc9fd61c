<?php

declare(strict_types=1);

namespace App\Drawing;

/** Axes of values, with their names and units. */
final class Axes
{
    private const SPACE = 8;
    private const LINE = 14;

    /**
     * @param list<array{at: float, text: string}> $ticks
     * @param array<string, mixed>                 $can   what can be done on it
     */
    public static function lying(Scene $scene, array $ticks, string $name, Scale $x, float $top, array $can = []): void
    {
        $scene->axis('x', false, $x, $can);
        $scene->line($x->start, $top, $x->end, $top, ['stroke' => 'ink', 'role' => 'axis']);
        $every = self::every($ticks, ($x->end - $x->start) / ($x->to - $x->from));
        $first = self::roundest(array_column($ticks, 'text'), $every);
        foreach ($ticks as $i => $tick) {
            $scene->line($x->at($tick['at']), $top, $x->at($tick['at']), $top + 5, ['stroke' => 'ink', 'role' => 'tick', 'id' => $tick['text']]);
            if ($i % $every === $first) {
                $scene->text($x->at($tick['at']), $top + 18, $tick['text'], ['anchor' => 'middle', 'face' => 'figures']);
            }
        }
        $scene->text($x->end, $top + 37, TextWidth::fitted($name, $x->end), ['anchor' => 'end', 'fill' => 'ink', 'role' => 'axis-name']);
    }

    /**
     * Hairlines through the picture with what they stand for, and the name above.
     *
     * @param list<array{at: float, text: string}> $ticks
     */
    public static function levels(Scene $scene, array $ticks, string $name, Scale $y, float $left, float $right): void
    {
        $scene->axis('y', true, $y);
        $every = self::everyStanding($ticks, $y);
        foreach ($ticks as $i => $tick) {
            $scene->line($left, $y->at($tick['at']), $right, $y->at($tick['at']), ['stroke' => 'hair']);
            if ($i % $every === 0) {
                $scene->text($left - 8, $y->at($tick['at']) + 4, $tick['text'], ['anchor' => 'end', 'face' => 'figures']);
            }
        }
        $scene->text($left, $y->end - 3, $name, ['fill' => 'ink', 'role' => 'axis-name']);
    }

    /**
     * With hairlines through the picture.
     *
     * @param list<array{at: float, text: string}> $ticks
     */
    public static function standing(Scene $scene, array $ticks, string $name, Scale $y, float $left, float $right): void
    {
        $scene->axis('y', true, $y);
        $scene->line($left, $y->start, $left, $y->end, ['stroke' => 'ink', 'role' => 'axis']);
        $every = self::everyStanding($ticks, $y);
        foreach ($ticks as $i => $tick) {
            $at = $y->at($tick['at']);
            $scene->line($left - 5, $at, $left, $at, ['stroke' => 'ink', 'role' => 'tick', 'id' => $tick['text']]);
            $scene->line($left, $at, $right, $at, ['stroke' => 'hair']);
            if ($i % $every === 0) {
                $scene->text($left - 9, $at + 4, $tick['text'], ['anchor' => 'end', 'face' => 'figures']);
            }
        }
        $scene->text(14, ($y->start + $y->end) / 2, TextWidth::fitted($name, abs($y->end - $y->start)), ['anchor' => 'middle', 'fill' => 'ink', 'turn' => -90, 'role' => 'axis-name']);
    }

    /** @param list<array{at: float, text: string}> $ticks */
    private static function everyStanding(array $ticks, Scale $y): int
    {
        $nearest = Spread::nearest(array_column($ticks, 'at')) * abs($y->start - $y->end) / ($y->to - $y->from);

        return count($ticks) < 2 || $nearest <= 0.0 ? max(1, count($ticks)) : max(1, (int) min(count($ticks), ceil(self::LINE / $nearest)));
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
        $widest = TextWidth::widest(array_column($ticks, 'text'), TextWidth::FIGURES) + self::SPACE;

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
}
