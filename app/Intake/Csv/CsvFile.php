<?php

declare(strict_types=1);

namespace App\Intake\Csv;

use App\Intake\Decisions;
use App\Intake\NotATable;
use RowTally\Core\Parsing\SpreadsheetText;
use RowTally\Core\Parsing\TotalRow;
use RowTally\Core\Parsing\VariableName;

/**
 * A CSV file in UTF-8 looked at but not yet read: its dialect, its names, and a sample of its rows from its beginning, from
 * places spread over the rest, and from its end.
 */
final readonly class CsvFile
{
    public const MAX_COLUMNS = 1000;
    public const HEAD = 1 << 18;
    private const SPREAD_PIECES = 12;
    private const SPREAD_PIECE = 1 << 14;
    private const BOM = "\u{FEFF}";

    /** @var array<string, true> */
    private array $leftOut;

    /**
     * @param list<VariableName> $names
     * @param list<list<string>> $head     the first rows, as wide as the header
     * @param list<int>          $lines    the line each of them begins in
     * @param list<list<string>> $spread   rows from elsewhere in the file, as wide as the header
     * @param list<string>       $leaveOut first entries of rows that are left out
     * @param list<string>       $titles   what stands above the table
     */
    private function __construct(
        public string $path,
        public int $bytes,
        public Dialect $dialect,
        public array $names,
        /** Where the rows begin, in bytes and as a line of the file. */
        public int $rowsAt,
        public int $rowsLine,
        public array $head,
        public array $lines,
        public array $spread,
        /** Whether the head holds all rows. */
        public bool $isWhole,
        public array $leaveOut,
        public array $titles,
        /** Whether somebody has checked already that all of it is UTF-8. */
        public bool $isChecked,
        public bool $leavesOutExtraCells,
        /** The first row of the head with entries behind the last name; null = none. */
        public ?int $firstLongLine,
        /** Whether each row is two numbers with a comma between: or one with a decimal comma. */
        public ?string $onlyCommas,
        /** The line of a quotation mark that is not closed, so that all were taken for letters. */
        public ?int $badQuoteLine,
    ) {
        $this->leftOut = array_fill_keys(array_map(static fn(string $entry): string => "={$entry}", $leaveOut), true);
    }

    /** @param list<string> $row */
    public function leavesOut(array $row): bool
    {
        return $this->leftOut !== [] && isset($this->leftOut['=' . TotalRow::firstEntry($row)]);
    }

    /**
     * @throws NotATable
     */
    public static function open(string $path, Decisions $decisions = new Decisions(), bool $isChecked = false): self
    {
        // A copy has just been written by somebody else.
        clearstatcache(true, $path);
        $bytes = (int) filesize($path);
        $raw = (string) file_get_contents($path, false, null, 0, self::HEAD);
        $isWhole = strlen($raw) === $bytes;
        $begin = str_starts_with($raw, self::BOM) ? strlen(self::BOM) : 0;
        if (trim(substr($raw, $begin)) === '') {
            throw NotATable::empty();
        }
        self::checkText($raw, $isWhole);
        $guess = DialectGuess::of(substr($raw, $begin), $isWhole, $decisions);
        ['records' => $records, 'lines' => $lines, 'ends' => $ends] = $guess->cut;
        if ($records === []) {
            throw NotATable::lineTooLong(1, self::HEAD);
        }
        $dialect = $guess->dialect;
        $first = $guess->first;
        $width = count($records[$first]);
        if ($width > self::MAX_COLUMNS) {
            throw NotATable::tooManyColumns($width, self::MAX_COLUMNS);
        }
        $rowsFrom = $dialect->hasHeader ? $first + 1 : $first;
        $rowsAt = $begin + ($ends[$rowsFrom - 1] ?? 0);
        if ($dialect->hasHeader && trim(substr($raw, $rowsAt)) === '' && $isWhole) {
            throw NotATable::headerOnly($width);
        }
        [$head, $headLines] = self::rows($width, array_slice($records, $rowsFrom), array_slice($lines, $rowsFrom), $dialect->comment);
        $reader = new CsvRecords($dialect->delimiter, $dialect->quote);
        [$spread] = $isWhole ? [[]] : self::rows($width, self::spread($path, $bytes, $reader), null, $dialect->comment);
        $names = VariableName::ofAll($dialect->hasHeader ? array_map(SpreadsheetText::original(...), $records[$first]) : array_fill(0, $width, ''));
        $leaveOut = $decisions->leaveOut;
        if ($decisions->leaveOutTotals && count($head) > 1) {
            $units = $dialect->hasHeader ? TotalRow::units($head) : null;
            $names = array_map(static fn(VariableName $name, int $place): VariableName => isset($units[$place]) ? $name->in($units[$place]) : $name, $names, array_keys($names));
            [$tail] = $isWhole ? [[]] : self::rows($width, self::tail($path, $bytes, $reader), null, $dialect->comment);
            $leaveOut = array_values(array_unique([...$leaveOut, ...($units === null ? [] : [TotalRow::firstEntry($head[0])]), ...TotalRow::entries($units === null ? $head : array_slice($head, 1), $tail)]));
        }

        return new self(
            $path,
            $bytes,
            $dialect,
            $names,
            $rowsAt,
            $lines[$rowsFrom] ?? $guess->cut['next'],
            $head,
            $headLines,
            $spread,
            $isWhole,
            $leaveOut,
            array_values(array_filter(array_map(
                static fn(array $record): string => trim(implode(' ', array_map(trim(...), $record))),
                array_slice($records, 0, $first),
            ), static fn(string $title): bool => $title !== '')),
            $isChecked,
            $decisions->leaveOutExtraCells,
            self::firstLongLine($width, array_slice($records, $rowsFrom), array_slice($lines, $rowsFrom), $dialect->comment),
            $decisions->delimiter === null && $dialect->delimiter === ',' ? DialectGuess::onlyCommas(array_slice($records, $first)) : null,
            $guess->badQuoteLine,
        );
    }

    /**
     * @param list<list<string>> $records
     * @param list<int>          $lines
     */
    private static function firstLongLine(int $width, array $records, array $lines, string $comment): ?int
    {
        foreach ($records as $i => $record) {
            if (count($record) > $width && implode('', array_slice($record, $width)) !== '' && !DialectGuess::isRemark($record, $comment)) {
                return $lines[$i] ?? null;
            }
        }

        return null;
    }

    /**
     * @param list<list<string>> $records
     * @param list<int>|null     $lines
     *
     * @return array{list<list<string>>, list<int>} without blank lines and remarks, short rows filled and long ones cut
     */
    private static function rows(int $width, array $records, ?array $lines, string $comment): array
    {
        $rows = [];
        $kept = [];
        foreach ($records as $i => $record) {
            if (($record !== [''] || $width === 1) && !DialectGuess::isRemark($record, $comment)) {
                $rows[] = array_slice(array_pad($record, $width, ''), 0, $width);
                $kept[] = $lines[$i] ?? 0;
            }
        }

        return [$rows, $kept];
    }

    private static function checkText(string $raw, bool $isWhole): void
    {
        $zero = strpos($raw, "\0");
        if ($zero !== false) {
            throw NotATable::binary('byte ' . ($zero + 1) . ' is a zero byte');
        }
        // A character may be cut in two at the end of the piece.
        $text = $isWhole ? $raw : substr($raw, 0, (int) strrpos($raw, "\n"));
        if (!mb_check_encoding($text, 'UTF-8')) {
            foreach (explode("\n", $text) as $i => $row) {
                if (!mb_check_encoding($row, 'UTF-8')) {
                    throw NotATable::notUtf8($i + 1);
                }
            }
        }
    }

    /** @return list<list<string>> */
    private static function spread(string $path, int $bytes, CsvRecords $records): array
    {
        $rows = [];
        for ($i = 1; $i <= self::SPREAD_PIECES; ++$i) {
            $at = intdiv($bytes * $i, self::SPREAD_PIECES + 1);
            if ($at < self::HEAD) {
                // Read already; a row seen twice would make an id look as if it repeated.
                continue;
            }
            $piece = (string) file_get_contents($path, false, null, $at, self::SPREAD_PIECE);
            $newline = strpos($piece, "\n");
            if ($newline !== false) {
                $rows = [...$rows, ...$records->cut(substr($piece, $newline + 1), 1, false)['records']];
            }
        }

        return $rows;
    }

    /** @return list<list<string>> the last rows of a file that is longer than its head */
    private static function tail(string $path, int $bytes, CsvRecords $reader): array
    {
        $piece = rtrim((string) file_get_contents($path, false, null, max(self::HEAD, $bytes - self::SPREAD_PIECE)));
        $newline = strpos($piece, "\n");
        try {
            return $reader->cut($newline === false ? $piece : substr($piece, $newline + 1), 1, true)['records'];
        } catch (NotATable) {
            // It begins within a quoted cell: no total row looks like that.
            return [];
        }
    }
}
