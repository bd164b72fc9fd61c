<?php

declare(strict_types=1);

namespace App\Report;

use App\Drawing\Faces;
use App\Export\CsvWriter;
use RowTally\Core\Parsing\SpreadsheetText;

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
        return implode('', array_map(static fn(array $row): string => CsvWriter::line(array_map(self::cell(...), $row)), $cells));
    }

    /** A difference has a sign in front and is a number all the same. */
    private static function cell(string $cell): string
    {
        return preg_match('/^[+-][\d.,]+$/', $cell) === 1 ? $cell : SpreadsheetText::harmless($cell);
    }
}
