<?php

declare(strict_types=1);

namespace App\Report\Forms;

use App\Export\CsvWriter;
use App\Report\Paper;
use App\Report\Record\ShownNumbers;
use RowTally\Core\Parsing\SpreadsheetText;

/** The tables of a report as CSV in full precision and its pictures as SVG and PNG. */
final class TablesZip
{
    /**
     * @param array<string, string>     $pngs   of the pictures by block
     * @param array<string, mixed>|null $record
     */
    public static function of(Paper $paper, array $pngs, ?array $record, ?string $rows): string
    {
        $files = [];
        $text = '';
        foreach ($paper->blocks as $block) {
            $own = MarkdownZip::files($block, $pngs);
            foreach ($own as $file) {
                $text .= str_ends_with($file['name'], '.csv') ? $file['bytes'] : '';
            }
            array_push($files, ...$own);
        }
        if ($files === []) {
            $files[] = ['name' => 'nothing-in-it.txt', 'bytes' => "There is neither a table nor a picture in this report.\n"];
        }

        return Packed::of([...$files, ...self::along($record, 'tables', ShownNumbers::of($text), $rows)]);
    }

    /**
     * What goes along with a zip: the record, and the rows where they may.
     *
     * @param array<string, mixed>|null $record
     * @param list<array{string, int}>  $numbers
     *
     * @return list<array{name: string, bytes: string}>
     */
    public static function along(?array $record, string $form, array $numbers, ?string $rows): array
    {
        return [
            ...($record === null ? [] : [['name' => HandOver::RECORD, 'bytes' => ShownNumbers::record($record, $form, $numbers)]]),
            ...($rows === null ? [] : [['name' => HandOver::ROWS, 'bytes' => $rows]]),
        ];
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
        return preg_match('/^[+-][\d.,]+(?:[eE][+-]?\d+)?$/', $cell) === 1 ? $cell : SpreadsheetText::harmless($cell);
    }
}
