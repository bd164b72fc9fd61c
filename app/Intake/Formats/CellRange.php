<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use App\Intake\NotATable;

/** A part of a sheet named by two corners, such as B3:F40; one corner alone means from there on. */
final readonly class CellRange
{
    private function __construct(
        public int $firstColumn,
        public int $firstRow,
        public int $lastColumn,
        public int $lastRow,
    ) {}

    public static function of(string $text): self
    {
        if (preg_match('/^\s*\$?([A-Za-z]{1,3})\$?([1-9][0-9]{0,6})\s*(?::\s*\$?([A-Za-z]{1,3})\$?([1-9][0-9]{0,6})\s*)?$/D', $text, $part) !== 1) {
            throw NotATable::badRange($text);
        }
        $columns = [XlsxWorkbook::column(strtoupper($part[1])), isset($part[3]) ? XlsxWorkbook::column(strtoupper($part[3])) : PHP_INT_MAX];
        $rows = [(int) $part[2], isset($part[4]) ? (int) $part[4] : PHP_INT_MAX];

        return new self(min($columns), min($rows), max($columns), max($rows));
    }

    /**
     * @param list<string> $row
     *
     * @return list<string>
     */
    public function cells(array $row): array
    {
        return array_slice($row, $this->firstColumn - 1, min(count($row), $this->lastColumn - $this->firstColumn + 1));
    }
}
