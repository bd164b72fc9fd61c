<?php

declare(strict_types=1);

namespace App\Report\Forms;

use App\Drawing\TextWidth;
use App\Report\PaperTable;

/**
 * How wide the columns of a table are on paper, in pixels. The program that lays out pages can find that out by itself, by setting
 * every cell three times; told beforehand it needs two thirds of the time for a report of tables. The sizes are those of `paper.css`.
 */
final class ColumnWidths
{
    /** Of a table's letters: 0.85 of 11 points. */
    private const SIZE = 0.85 * 11 * 96 / 72;
    private const PICTURES_SIZE = 12.0;
    /** A figure of a table is as wide as any other, in the size of its letters; `ch` is the width of a nought that is not. */
    private const FIGURE = 0.6;
    private const CH = 0.666;
    private const BOLD = 1.1;
    /** What letters drawn beside one another take more than they do one by one. */
    private const SPARE = 2.0;
    private const MARGINS_MM = 36.0;
    private const PAGES_MM = ['a4' => 210.0, 'letter' => 215.9];

    /**
     * As wide as what stands in them; where the page is too narrow for that, words are broken between lines and numbers are not.
     *
     * @param 'a4'|'letter' $size
     *
     * @return list<float>
     */
    public static function of(PaperTable $table, string $size): array
    {
        $least = $most = [];
        foreach ($table->looks() as $row => $looks) {
            foreach ($looks as $column => $look) {
                [$narrow, $wide] = self::cell($table->cells[$row][$column] ?? '', $look, $row === 0, $column === 0);
                $least[$column] = max($least[$column] ?? 0.0, $narrow);
                $most[$column] = max($most[$column] ?? 0.0, $wide);
            }
        }
        $room = (self::PAGES_MM[$size] - self::MARGINS_MM) / 25.4 * 96;
        $spread = array_sum($most) - array_sum($least);
        $share = $spread > 0.0 ? min(1.0, max(0.0, ($room - array_sum($least)) / $spread)) : 0.0;

        return array_map(static fn(float $narrow, float $wide): float => round($narrow + $share * ($wide - $narrow), 1), $least, $most);
    }

    /** @return array{float, float} with every space a place to break, and with none */
    private static function cell(string $text, string $look, bool $isHead, bool $isFirst): array
    {
        $bold = $isHead ? self::BOLD : 1.0;
        $words = !$isHead && !$isFirst && $look !== 'text' ? [$text] : preg_split('/[ \n-]/', $text);
        // On its right a number may leave room for the decimals of others, half a character for their point.
        $behind = preg_match('/^([kp])(\d)$/', $look, $of) === 1 ? (int) $of[2] + ($of[1] === 'p' ? 1.5 : 1.0) : 1.0;
        $beside = ($behind + ($isFirst ? 0.0 : 1.0)) * self::CH * self::SIZE + self::SPARE;

        return [
            $beside + $bold * max(0.0, ...array_map(self::text(...), $words === false ? [] : $words)),
            $beside + $bold * self::text($text),
        ];
    }

    private static function text(string $text): float
    {
        $others = (string) preg_replace('/[0-9+−×÷=<>%]/u', '', $text, count: $figures);

        return $figures * self::FIGURE * self::SIZE + TextWidth::of($others) * self::SIZE / self::PICTURES_SIZE;
    }
}
