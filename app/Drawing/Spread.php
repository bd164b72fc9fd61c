<?php

declare(strict_types=1);

namespace App\Drawing;

/** Places in a row, and names that must not touch. */
final class Spread
{
    private const MOST_ROWS = 4;

    /**
     * @param list<float> $places ascending
     *
     * @return float how near two of them come, at most so much
     */
    public static function nearest(array $places, float $most = INF): float
    {
        foreach ($places as $i => $place) {
            $most = $i === 0 ? $most : min($most, $place - $places[$i - 1]);
        }

        return $most;
    }

    /**
     * Names that do not all fit beside each other stand in rows, by turns.
     *
     * @param list<float> $widths
     *
     * @return int how many rows it takes, four at most
     */
    public static function rows(array $widths, float $room): int
    {
        $rows = 1;
        for (; $rows < self::MOST_ROWS; ++$rows) {
            $needed = array_fill(0, $rows, 0.0);
            foreach ($widths as $i => $width) {
                $needed[$i % $rows] += $width;
            }
            if (max($needed) <= $room) {
                break;
            }
        }

        return $rows;
    }

    /**
     * Moves them apart until none touches the next, as little as possible and inside both ends: what overlaps is put together in a block
     * around the middle of its places.
     *
     * @param list<float> $wanted ascending
     * @param list<float> $widths
     *
     * @return list<float> the middles
     */
    public static function apart(array $wanted, array $widths, float $left, float $right): array
    {
        /** @var list<array{first: int, last: int, start: float, width: float}> $blocks */
        $blocks = [];
        foreach (array_keys($wanted) as $i) {
            $block = self::block($wanted, $widths, $i, $i, $left, $right);
            while ($blocks !== [] && $blocks[count($blocks) - 1]['start'] + $blocks[count($blocks) - 1]['width'] > $block['start']) {
                $block = self::block($wanted, $widths, array_pop($blocks)['first'], $i, $left, $right);
            }
            $blocks[] = $block;
        }
        $places = [];
        foreach ($blocks as $block) {
            $at = $block['start'];
            for ($i = $block['first']; $i <= $block['last']; ++$i) {
                $places[] = $at + $widths[$i] / 2;
                $at += $widths[$i];
            }
        }

        return $places;
    }

    /**
     * @param list<float> $wanted
     * @param list<float> $widths
     *
     * @return array{first: int, last: int, start: float, width: float}
     */
    private static function block(array $wanted, array $widths, int $first, int $last, float $left, float $right): array
    {
        $width = $start = 0.0;
        for ($i = $first; $i <= $last; ++$i) {
            $start += $wanted[$i] - $widths[$i] / 2 - $width;
            $width += $widths[$i];
        }

        return ['first' => $first, 'last' => $last, 'start' => max($left, min($right - $width, $start / ($last - $first + 1))), 'width' => $width];
    }
}
