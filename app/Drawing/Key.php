<?php

declare(strict_types=1);

namespace App\Drawing;

/** What the marks of a picture mean, beside each other below it, in rows as there is room. */
final class Key
{
    private const ROW = 20.0;
    private const SAMPLE = 26.0;
    private const MARK = 14.0;
    private const SPACE = 6.0;
    private const GAP = 18.0;

    /**
     * @param list<array{sign: string, words: string, lane?: int}> $entries a sign is line, dotted, swatch, mean, median, near or far
     *
     * @return float how high it is
     */
    public static function height(array $entries, float $room): float
    {
        return $entries === [] ? 0.0 : self::ROW * (max([0, ...array_column(self::places($entries, $room), 1)]) + 1);
    }

    /** @param list<array{sign: string, words: string, lane?: int}> $entries */
    public static function draw(Scene $scene, array $entries, float $left, float $top, float $room): void
    {
        foreach (self::places($entries, $room) as $i => [$at, $row]) {
            ['sign' => $sign, 'words' => $words] = $entries[$i];
            $lane = $entries[$i]['lane'] ?? 0;
            self::sign($scene, $sign, $lane, $left + $at, $top + self::ROW * $row + self::ROW / 2);
            $start = $left + $at + self::wide($sign) + self::SPACE;
            $scene->text($start, $top + self::ROW * $row + self::ROW / 2 + 4, TextWidth::fitted($words, $room - self::wide($sign) - self::SPACE), ['fill' => isset($entries[$i]['lane']) ? 'ink' : 'soft', 'role' => 'key']);
        }
    }

    private static function sign(Scene $scene, string $sign, int $lane, float $x, float $y): void
    {
        match ($sign) {
            'line' => $scene->line($x, $y, $x + self::SAMPLE, $y, ['stroke' => "lane-{$lane}", 'thick' => $lane === 0 ? 2.0 : 1.5, 'dash' => Palette::dash($lane)]),
            'dotted' => $scene->line($x, $y, $x + self::SAMPLE, $y, ['stroke' => 'accent', 'dash' => '2 3']),
            'swatch' => $scene->rect($x + 1, $y - 5, 12, 10, ['fill' => "lane-{$lane}", 'wash' => 0.55, 'stroke' => "lane-{$lane}", 'thick' => 1.25, 'dash' => Palette::dash($lane)]),
            'median' => $scene->line($x + 7, $y - 5, $x + 7, $y + 5, ['stroke' => 'soft', 'thick' => 3.5]),
            'mean' => Boxes::mean($scene, $x + 7, $y - 4, 'soft', role: null),
            default => Boxes::outlier($scene, $x + 7, $y, 'soft', $sign === 'far', []),
        };
    }

    private static function wide(string $sign): float
    {
        return $sign === 'line' || $sign === 'dotted' ? self::SAMPLE : self::MARK;
    }

    /**
     * @param list<array{sign: string, words: string, lane?: int}> $entries
     *
     * @return list<array{float, int}> place in the row, and row, of each
     */
    private static function places(array $entries, float $room): array
    {
        $places = [];
        $left = 0.0;
        $row = 0;
        foreach ($entries as ['sign' => $sign, 'words' => $words]) {
            $wide = self::wide($sign) + self::SPACE + TextWidth::of($words);
            if ($left > 0.0 && $left + $wide > $room) {
                $left = 0.0;
                ++$row;
            }
            $places[] = [$left, $row];
            $left += $wide + self::GAP;
        }

        return $places;
    }
}
