<?php

declare(strict_types=1);

namespace App\Export;

use App\Files\WholeFile;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\SpreadsheetText;
use RowTally\Core\Parsing\VariableType;

/**
 * CSV after RFC 4180 in UTF-8, decimals with a point; where somebody's own marks are asked for, with their decimal mark and order of days, and semicolons
 * between cells where commas are decimal marks. Texts that a spreadsheet would run as a formula get an apostrophe in front.
 */
final readonly class CsvWriter implements TableWriter
{
    /** That a cell need not be quoted or made harmless can be seen of many at once, between which this stands. */
    private const BETWEEN = "\x1F";
    /** A sign that is quoted, a cell that begins with another one than a letter or digit, or ends with a blank. */
    private const TO_BE_LOOKED_AT = '/[",;\r\n\t\'|#]|(?:^|\x1F)[^0-9A-Za-z\x1F]|[\s\0](?:\x1F|$)/D';

    public function __construct(private NumberMarks $marks = new NumberMarks()) {}

    public function write(ExportedTable $table, $out): void
    {
        // The byte order mark tells spreadsheets that it is UTF-8.
        WholeFile::write($out, "\u{FEFF}" . $this->cells(array_map(static fn(ExportedVariable $variable): string => SpreadsheetText::harmless($variable->header()), $table->variables)));
        $between = $this->between();
        foreach ($table->blocks as $block) {
            $columns = [];
            foreach ($table->variables as $i => $variable) {
                $columns[] = match ($variable->type) {
                    VariableType::Number => $this->numbers($block['cells'][$i], $block['unread'][$i]),
                    VariableType::Date => self::texts($this->marks->days === 'year-first' ? $block['cells'][$i] : array_map($this->marks->day(...), $block['cells'][$i])),
                    default => self::texts($block['cells'][$i]),
                };
            }
            $lines = '';
            for ($row = 0; $row < $block['rows']; ++$row) {
                $lines .= implode($between, array_column($columns, $row)) . "\r\n";
            }
            // A row of one missing value must not look like a blank line.
            WholeFile::write($out, count($columns) === 1 ? preg_replace('/^\r$/m', "\"\"\r", $lines) ?? $lines : $lines);
        }
    }

    private function between(): string
    {
        return $this->marks->decimal === 'comma' ? ';' : ',';
    }

    /** @param list<string> $cells */
    private function cells(array $cells): string
    {
        return implode($this->between(), array_map(self::quoted(...), $cells)) . "\r\n";
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
    private function numbers(array $cells, array $unread): array
    {
        $written = $this->marks->decimal === 'comma' ? str_replace('.', ',', $cells) : $cells;
        foreach (array_keys($unread) as $i) {
            $written[$i] = self::text($cells[$i]);
        }

        return array_values($written);
    }

    /**
     * @param list<string> $cells
     *
     * @return list<string>
     */
    private static function texts(array $cells): array
    {
        return preg_match(self::TO_BE_LOOKED_AT, implode(self::BETWEEN, $cells)) === 0 ? $cells : array_map(self::text(...), $cells);
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
