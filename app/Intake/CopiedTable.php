<?php

declare(strict_types=1);

namespace App\Intake;

use App\Files\WholeFile;
use App\Intake\Formats\CellRange;
use App\Intake\Formats\DataPackage;
use App\Intake\Formats\Format;
use App\Intake\Formats\JsonTable;
use App\Intake\Formats\OdsWorkbook;
use App\Intake\Formats\Workbook;
use App\Intake\Formats\XlsxWorkbook;
use RowTally\Core\Parsing\SpreadsheetText;

/** A table out of a workbook, a JSON document or a package as CSV in UTF-8; made in a process of its own (see `CopyProcess`). */
final readonly class CopiedTable
{
    /** What a look needs of a table. */
    public const SAMPLE_BYTES = 1 << 19;
    private const SAMPLE_ROWS = 2000;
    private const ROWS_FOR_WIDTH = 500;

    /**
     * @param list<string> $sheets  tables in the file, by name; empty where it has only one without a name
     * @param list<string> $remarks what somebody should know of it
     */
    public function __construct(
        public Format $format,
        /** What was decided, with what the file itself states. */
        public Decisions $decisions,
        /** Length of the copy. */
        public int $bytes,
        /** Whether it holds only the beginning. */
        public bool $isCut = false,
        public array $sheets = [],
        public ?string $sheet = null,
        public array $remarks = [],
    ) {}

    /** @throws NotATable */
    public static function make(string $path, Format $format, Decisions $decisions, bool $sample, string $copy): self
    {
        $limit = $sample ? self::SAMPLE_ROWS : PHP_INT_MAX;

        return match ($format) {
            Format::Xlsx => self::workbook($format, new XlsxWorkbook($path), $decisions, $limit, $copy),
            Format::Ods => self::workbook($format, new OdsWorkbook($path), $decisions, $limit, $copy),
            Format::JsonLines => self::write($copy, JsonTable::lines($path, $limit), $decisions, $limit, $format),
            Format::DataPackage => self::package(new DataPackage($path), $decisions, $sample, $copy),
            default => self::write($copy, JsonTable::document($path, $limit), $decisions, $limit, Format::Json),
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['format' => $this->format->value, 'decisions' => $this->decisions->toArray(), 'bytes' => $this->bytes, 'is_cut' => $this->isCut, 'sheets' => $this->sheets, 'sheet' => $this->sheet, 'remarks' => $this->remarks];
    }

    /** @param array{format: string, decisions: array<string, mixed>, bytes: int, is_cut: bool, sheets: list<string>, sheet: string|null, remarks: list<string>} $told */
    public static function fromArray(array $told): self
    {
        return new self(Format::from($told['format']), Decisions::fromArray($told['decisions']), $told['bytes'], $told['is_cut'], $told['sheets'], $told['sheet'], $told['remarks']);
    }

    /**
     * @param iterable<list<string>>          $rows
     * @param (callable(): list<string>)|null $remarks asked for once the rows are written
     * @param list<string>                    $sheets
     */
    public static function write(string $copy, iterable $rows, Decisions $decisions, int $limit, Format $format = Format::ValueList, array $sheets = [], ?string $sheet = null, ?callable $remarks = null): self
    {
        $handle = WholeFile::create($copy);
        $written = $bytes = $width = 0;
        $first = [];
        $isCut = false;
        foreach ($rows as $row) {
            if ($written >= $limit) {
                $isCut = true;
                break;
            }
            ++$written;
            if ($written <= self::ROWS_FOR_WIDTH) {
                $first[] = $row;
                $width = max($width, count($row));
                continue;
            }
            $bytes += self::writeRows($handle, $first, $width) + self::writeRows($handle, [$row], $width);
            $first = [];
        }
        $bytes += self::writeRows($handle, $first, $width);
        WholeFile::close($handle);
        // The copy is known to be plain CSV; only where its table begins is still to be found or decided.
        $decisions = Decisions::fromArray([...$decisions->toArray(), 'delimiter' => ',', 'quote' => '"', 'comment' => '']);

        return new self($format, $decisions, $bytes, $isCut, $sheets, $sheet, $remarks === null ? [] : $remarks());
    }

    /**
     * Rows of a sheet are as wide as their last entry; here all are as wide as the widest of the first.
     *
     * @param resource           $handle
     * @param list<list<string>> $rows
     *
     * @return int how many bytes they took
     */
    private static function writeRows($handle, array $rows, int $width): int
    {
        $text = '';
        foreach ($rows as $row) {
            foreach (array_pad($row, $width, '') as $place => $cell) {
                $cell = SpreadsheetText::kept($cell);
                $text .= ($place === 0 ? '' : ',') . (strpbrk($cell, "\",\r\n") === false ? $cell : '"' . str_replace('"', '""', $cell) . '"');
            }
            $text .= "\n";
        }
        WholeFile::write($handle, $text);

        return strlen($text);
    }

    private static function workbook(Format $format, Workbook $book, Decisions $decisions, int $limit, string $copy): self
    {
        $sheets = $book->sheets();
        $sheet = $decisions->sheet ?? self::firstFilled($book) ?? $sheets[0];
        $range = $decisions->range === null || trim($decisions->range) === '' ? null : CellRange::of($decisions->range);
        $remarks = static fn(): array => [...$book->remarks(), ...(count($sheets) > 1 && $decisions->sheet === null ? ['The workbook has ' . count($sheets) . " sheets; “{$sheet}” was read."] : [])];

        return self::write($copy, self::inRange($book->rows($sheet), $range, $decisions->range ?? ''), $decisions, $limit, $format, $sheets, $sheet, $remarks);
    }

    /** The first sheet with an entry: the one before it may be a cover without any. */
    private static function firstFilled(Workbook $book): ?string
    {
        foreach ($book->sheets() as $sheet) {
            foreach ($book->rows($sheet) as $row) {
                if (count($row) > 0) {
                    return $sheet;
                }
            }
        }

        return null;
    }

    /**
     * @param iterable<int, list<string>> $rows by row number
     *
     * @return iterable<int, list<string>>
     */
    private static function inRange(iterable $rows, ?CellRange $range, string $words): iterable
    {
        $found = false;
        foreach ($rows as $number => $row) {
            if ($range === null) {
                yield $row;
                continue;
            }
            if ($number > $range->lastRow) {
                break;
            }
            $cells = $number < $range->firstRow ? [] : $range->cells($row);
            if ($cells !== [] && implode('', $cells) !== '') {
                $found = true;
                yield $cells;
            }
        }
        if ($range !== null && !$found) {
            throw NotATable::badRange($words);
        }
    }

    private static function package(DataPackage $package, Decisions $decisions, bool $sample, string $copy): self
    {
        $bytes = $package->copyTo($copy, $decisions->sheet, $sample ? self::SAMPLE_BYTES : null);

        return new self(Format::DataPackage, $package->decisions($decisions), $bytes, $sample && $bytes >= self::SAMPLE_BYTES, $package->names(), $decisions->sheet ?? $package->names()[0]);
    }
}
