<?php

declare(strict_types=1);

namespace App\Intake\Csv;

use App\Intake\NotATable;
use RowTally\Core\Parsing\NumberText;
use RowTally\Core\Parsing\VariableName;

/**
 * A CSV file looked at but not yet read: its delimiter, its names, and a sample of its rows from its beginning and from places
 * spread over the rest.
 */
final readonly class CsvFile
{
    public const MAX_COLUMNS = 1000;
    private const DELIMITERS = [',', ';', "\t"];
    private const HEAD = 1 << 18;
    private const SPREAD_PIECES = 12;
    private const SPREAD_PIECE = 1 << 14;
    private const BOM = "\u{FEFF}";
    private const OTHER_FORMATS = [
        '/^PK\x03\x04/' => 'it begins like a zip archive or an office document',
        '/^%PDF/' => 'it begins like a PDF',
        '/^(?:\x89PNG|\xFF\xD8\xFF|GIF8)/' => 'it begins like a picture',
        '/^(?:\x1F\x8B|\xFD7zXZ|7z\xBC\xAF)/' => 'it begins like a compressed file',
        '/^\xD0\xCF\x11\xE0/' => 'it begins like an old office document',
        '/^(?:\xFF\xFE|\xFE\xFF)/' => 'it begins like text in UTF-16',
    ];

    /**
     * @param list<VariableName> $names
     * @param list<list<string>> $head   the first rows, as wide as the header
     * @param list<list<string>> $spread rows from elsewhere in the file, as wide as the header
     */
    private function __construct(
        public string $path,
        public int $bytes,
        public string $delimiter,
        public array $names,
        public bool $hasHeader,
        /** Where the rows begin, in bytes and as a line of the file. */
        public int $rowsAt,
        public int $rowsLine,
        public array $head,
        public array $spread,
    ) {}

    /**
     * @throws NotATable
     */
    public static function open(string $path): self
    {
        $bytes = (int) filesize($path);
        $raw = (string) file_get_contents($path, false, null, 0, self::HEAD);
        $isWhole = strlen($raw) === $bytes;
        self::refuseOtherFormats($raw);
        $begin = str_starts_with($raw, self::BOM) ? strlen(self::BOM) : 0;
        $begin += strspn($raw, "\r\n", $begin);
        $text = substr($raw, $begin);
        if (trim($text) === '') {
            throw NotATable::empty();
        }
        $line = 1 + substr_count(substr($raw, 0, $begin), "\n");
        [$records, $cut] = self::cutBest($text, $line, $isWhole);
        if ($cut['records'] === []) {
            throw NotATable::lineTooLong($line, self::HEAD);
        }
        $first = $cut['records'][0];
        $width = count($first);
        if ($width > self::MAX_COLUMNS) {
            throw NotATable::tooManyColumns($width, self::MAX_COLUMNS);
        }
        $hasHeader = array_filter($first, static fn(string $cell): bool => NumberText::parse($cell) === null) !== [];
        if ($hasHeader && trim(substr($raw, $begin + $cut['ends'][0])) === '' && $isWhole) {
            throw NotATable::headerOnly($width);
        }

        return new self(
            $path,
            $bytes,
            $records->delimiter,
            VariableName::ofAll($hasHeader ? $first : array_fill(0, $width, '')),
            $hasHeader,
            $begin + ($hasHeader ? $cut['ends'][0] : 0),
            $hasHeader ? ($cut['lines'][1] ?? $cut['next']) : $line,
            self::asWideAs($width, array_slice($cut['records'], $hasHeader ? 1 : 0)),
            $isWhole ? [] : self::asWideAs($width, self::spread($path, $bytes, $records)),
        );
    }

    /**
     * @param list<list<string>> $rows
     *
     * @return list<list<string>> without blank lines, short rows filled and long ones cut
     */
    private static function asWideAs(int $width, array $rows): array
    {
        return array_map(
            static fn(array $row): array => array_slice(array_pad($row, $width, ''), 0, $width),
            array_values(array_filter($rows, static fn(array $row): bool => $row !== [''] || $width === 1)),
        );
    }

    private static function refuseOtherFormats(string $raw): void
    {
        foreach (self::OTHER_FORMATS as $pattern => $words) {
            if (preg_match($pattern, $raw) === 1) {
                throw NotATable::binary($words);
            }
        }
        $zero = strpos($raw, "\0");
        if ($zero !== false) {
            throw NotATable::binary('byte ' . ($zero + 1) . ' is a zero byte');
        }
        if (preg_match('/^\s*<(?:!doctype|html|\?xml)/i', $raw) === 1) {
            throw NotATable::otherFormat('begins like a web page or XML');
        }
        if (preg_match('/^\s*[\[{]\s*["{\[]/', $raw) === 1) {
            throw NotATable::otherFormat('begins like JSON');
        }
    }

    /**
     * The delimiter under which most records are as wide as the first.
     *
     * @return array{CsvRecords, array{records: list<list<string>>, lines: list<int>, ends: list<int>, next: int}}
     */
    private static function cutBest(string $text, int $line, bool $isWhole): array
    {
        $best = null;
        $bestScore = [-1, -1.0];
        $error = null;
        foreach (self::DELIMITERS as $delimiter) {
            $records = new CsvRecords($delimiter);
            try {
                $cut = $records->cut($text, $line, $isWhole);
            } catch (NotATable $notATable) {
                $error ??= $notATable;
                continue;
            }
            $widths = array_map('count', $cut['records']);
            $same = count(array_keys($widths, $widths[0] ?? 0, true));
            $score = [($widths[0] ?? 0) > 1 && $same > 1 ? 1 : 0, $same / max(1, count($widths))];
            if ($score > $bestScore) {
                $best = [$records, $cut];
                $bestScore = $score;
            }
        }

        // A quotation mark that is off makes a table look like one column under the other delimiters.
        if ($best === null || ($bestScore[0] === 0 && $error !== null)) {
            throw $error ?? NotATable::empty();
        }

        return $best;
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
}
