<?php

declare(strict_types=1);

namespace App\Report;

use App\Drawing\Faces;

/** The tables of a report as CSV and its pictures as SVG. */
final class TablesZip
{
    public static function of(Paper $paper): string
    {
        $files = [];
        foreach ($paper->blocks as $block) {
            $name = $block->number === null ? 'set-aside' : strtolower(str_replace(' ', '-', $block->number));
            if ($block->svg !== null) {
                $files[] = ['name' => "{$name}.svg", 'bytes' => Faces::into($block->svg)];
            } elseif ($block->cells !== null) {
                $files[] = ['name' => "{$name}.csv", 'bytes' => self::csv($block->cells)];
            }
        }

        return Packed::of($files === [] ? [['name' => 'nothing-kept.txt', 'bytes' => "Nothing is kept in this report yet.\n"]] : $files);
    }

    /**
     * RFC 4180; what a spreadsheet would run as a formula is made harmless.
     *
     * @param list<list<string>> $cells
     */
    public static function csv(array $cells): string
    {
        return implode('', array_map(static fn(array $row): string => implode(',', array_map(self::cell(...), $row)) . "\r\n", $cells));
    }

    private static function cell(string $cell): string
    {
        $isRun = preg_match('/^[=@\t\r]/', $cell) === 1 || (preg_match('/^[+-]/', $cell) === 1 && preg_match('/^[+-]?[\d.,]+$/', $cell) !== 1);
        $text = $isRun ? "'{$cell}" : $cell;

        return preg_match('/[",\r\n]/', $text) === 1 ? '"' . str_replace('"', '""', $text) . '"' : $text;
    }
}
