<?php

declare(strict_types=1);

namespace App\Export;

use App\Files\WholeFile;
use RowTally\Core\Parsing\SpreadsheetText;
use RowTally\Core\Parsing\VariableType;

/** CSV after RFC 4180 in UTF-8, decimals with a point. Texts that a spreadsheet would run as a formula get an apostrophe in front. */
final class CsvWriter implements TableWriter
{
    public function write(ExportedTable $table, $out): void
    {
        // The byte order mark tells spreadsheets that it is UTF-8.
        WholeFile::write($out, "\u{FEFF}" . self::line(array_map(static fn(ExportedVariable $variable): string => SpreadsheetText::harmless($variable->header()), $table->variables)));
        foreach ($table->blocks as $block) {
            $columns = [];
            foreach ($table->variables as $i => $variable) {
                $columns[] = $variable->type === VariableType::Number
                    ? self::numbers($block['cells'][$i], $block['unread'][$i])
                    : array_map(self::text(...), $block['cells'][$i]);
            }
            $lines = '';
            for ($row = 0; $row < $block['rows']; ++$row) {
                $lines .= implode(',', array_column($columns, $row)) . "\r\n";
            }
            // A row of one missing value must not look like a blank line.
            WholeFile::write($out, count($columns) === 1 ? preg_replace('/^\r$/m', "\"\"\r", $lines) ?? $lines : $lines);
        }
    }

    /** @param list<string> $cells */
    public static function line(array $cells): string
    {
        return implode(',', array_map(self::quoted(...), $cells)) . "\r\n";
    }

    /**
     * @param list<string>     $cells
     * @param array<int, true> $unread
     *
     * @return list<string>
     */
    private static function numbers(array $cells, array $unread): array
    {
        foreach (array_keys($unread) as $i) {
            $cells[$i] = self::text($cells[$i]);
        }

        return array_values($cells);
    }

    private static function text(string $cell): string
    {
        return self::quoted(SpreadsheetText::harmless($cell));
    }

    private static function quoted(string $cell): string
    {
        return strpbrk($cell, "\",;\r\n\t'|#") === false && trim($cell) === $cell ? $cell : '"' . str_replace('"', '""', $cell) . '"';
    }
}
