<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Formats\CellRange;
use App\Intake\Formats\DataPackage;
use App\Intake\Formats\Format;
use App\Intake\Formats\JsonTable;
use App\Intake\Formats\OdsWorkbook;
use App\Intake\Formats\TextEncoding;
use App\Intake\Formats\Workbook;
use App\Intake\Formats\XlsxWorkbook;
use RowTally\Core\Columns\VariableType;
use RowTally\Core\Parsing\SpreadsheetText;
use RowTally\Core\Parsing\ValueList;
use RuntimeException;

/**
 * Any file as CSV in UTF-8, which is what the reader of tables reads: text in UTF-8 as it stands, everything else as a copy that
 * is gone with this object.
 */
final class PreparedTable
{
    private const SAMPLE_ROWS = 2000;
    private const SAMPLE_BYTES = 1 << 19;
    private const ROWS_FOR_WIDTH = 500;

    /** @param list<string> $sheets */
    private function __construct(
        public readonly Format $format,
        /** CSV in UTF-8 */
        public readonly string $path,
        /** What was decided, with what the file itself states. */
        public readonly Decisions $decisions,
        /** Tables in the file, by name; empty where it has only one without a name. */
        public readonly array $sheets = [],
        public readonly ?string $sheet = null,
        /** How the text was encoded; null for other formats. */
        public readonly ?string $encoding = null,
        private readonly bool $isCopy = true,
        /** Whether the copy holds only the beginning. */
        public readonly bool $isSample = false,
        /** Whether all of it is known to be UTF-8. */
        public readonly bool $isChecked = false,
        /** @var list<string> what somebody should know of it */
        public array $remarks = [],
    ) {}

    public function __destruct()
    {
        if ($this->isCopy) {
            @unlink($this->path);
        }
    }

    /**
     * @param bool        $sample     only the beginning is needed
     * @param string|null $recognised the encoding of a text, where it was found out before
     *
     * @throws NotATable
     */
    public static function of(string $path, string $name, Decisions $decisions, bool $sample = false, ?string $recognised = null): self
    {
        if ((int) filesize($path) === 0) {
            throw NotATable::empty();
        }
        $encoding = $decisions->encoding;
        $format = $encoding === null ? Format::of($path, $name) : Format::Text;

        return match ($format) {
            Format::Text, Format::ValueList => self::text($path, $decisions, $encoding ?? $recognised ?? TextEncoding::of($path), $sample),
            Format::Xlsx => self::workbook($format, new XlsxWorkbook($path), $decisions, $sample),
            Format::Ods => self::workbook($format, new OdsWorkbook($path), $decisions, $sample),
            Format::Json => self::copied($format, JsonTable::document($path), $decisions, $sample),
            Format::JsonLines => self::copied($format, JsonTable::lines($path), $decisions, $sample),
            Format::DataPackage => self::package(new DataPackage($path), $decisions, $sample),
        };
    }

    private static function text(string $path, Decisions $decisions, string $encoding, bool $sample): self
    {
        if ($encoding === 'utf-8') {
            $list = self::asList($path, $decisions);

            return $list === null
                // Where the encoding was recognised, all of the file was looked through.
                ? new self(Format::Text, $path, $decisions, encoding: $encoding, isCopy: false, isChecked: $decisions->encoding === null)
                : self::copied(Format::ValueList, [$list->names, ...$list->rows], self::valuesOf($list, $decisions), false);
        }
        $copy = self::newCopy();
        TextEncoding::toUtf8($path, $encoding, $copy, $sample ? self::SAMPLE_BYTES : null);

        return new self(Format::Text, $copy, $decisions, encoding: $encoding, isSample: $sample && filesize($path) > self::SAMPLE_BYTES);
    }

    /** Values are numbers and never ids, even where they run 1, 2, 3; classes are labels. */
    private static function valuesOf(ValueList $list, Decisions $decisions): Decisions
    {
        foreach ($list->names as $place => $name) {
            if ($name !== 'Class' && $decisions->column($place)->type === null) {
                $decisions = $decisions->with(['what' => 'type', 'column' => $place, 'value' => VariableType::Number->value]);
            }
        }

        return $decisions;
    }

    /** A short text without a table in it may be a list of values. */
    private static function asList(string $path, Decisions $decisions): ?ValueList
    {
        $decided = $decisions->delimiter !== null || $decisions->hasHeader !== null || $decisions->firstLine !== null;
        if ($decided || filesize($path) > self::SAMPLE_BYTES) {
            return null;
        }
        $text = (string) file_get_contents($path);
        $lines = explode("\n", str_replace(["\r\n", "\r"], "\n", trim($text)), 4);
        // Lines of equally many cells are a table; one value a line may as well be read as one, with its name on top.
        $cells = array_map(static fn(string $line): int => 1 + (int) preg_match_all('/[,;\t]/', trim($line)), array_slice($lines, 0, 3));
        if (count($lines) > 1 && count(array_unique($cells)) === 1 && preg_match('/^\s*[\d.,+\-−]+\s*(?:[×x*–—\-]|to|bis|and|[<>≤≥])/iu', $text) !== 1 && ($cells[0] > 1 || preg_match('/\s/', trim($lines[0])) !== 1)) {
            return null;
        }

        return ValueList::of($text);
    }

    private static function workbook(Format $format, Workbook $book, Decisions $decisions, bool $sample): self
    {
        $sheets = $book->sheets();
        $sheet = $decisions->sheet ?? self::firstFilled($book) ?? $sheets[0];
        $range = $decisions->range === null || trim($decisions->range) === '' ? null : CellRange::of($decisions->range);

        $table = self::copied($format, self::inRange($book->rows($sheet), $range, $decisions->range ?? ''), $decisions, $sample, $sheets, $sheet);
        $table->remarks = $book->remarks();
        if (count($sheets) > 1 && $decisions->sheet === null) {
            $table->remarks[] = 'The workbook has ' . count($sheets) . " sheets; “{$sheet}” was read.";
        }

        return $table;
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

    private static function package(DataPackage $package, Decisions $decisions, bool $sample): self
    {
        $copy = self::newCopy();
        $package->copyTo($copy, $decisions->sheet, $sample ? self::SAMPLE_BYTES : null);

        return new self(Format::DataPackage, $copy, $package->decisions($decisions), $package->names(), $decisions->sheet ?? $package->names()[0], isSample: $sample && filesize($copy) >= self::SAMPLE_BYTES);
    }

    /**
     * @param iterable<list<string>> $rows
     * @param list<string>           $sheets
     */
    private static function copied(Format $format, iterable $rows, Decisions $decisions, bool $sample, array $sheets = [], ?string $sheet = null): self
    {
        $copy = self::newCopy();
        $handle = fopen($copy, 'w');
        if ($handle === false) {
            throw new RuntimeException('The copy of the table cannot be written.');
        }
        $limit = $sample ? self::SAMPLE_ROWS : PHP_INT_MAX;
        $written = 0;
        $width = 0;
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
            self::write($handle, $first, $width);
            $first = [];
            self::write($handle, [$row], $width);
        }
        self::write($handle, $first, $width);
        fclose($handle);
        // The copy is known to be plain CSV; only where its table begins is still to be found or decided.
        $decisions = Decisions::fromArray([...$decisions->toArray(), 'delimiter' => ',', 'quote' => '"', 'comment' => '']);

        return new self($format, $copy, $decisions, $sheets, $sheet, isSample: $isCut);
    }

    /**
     * Rows of a sheet are as wide as their last entry; here all are as wide as the widest of the first.
     *
     * @param resource           $handle
     * @param list<list<string>> $rows
     */
    private static function write($handle, array $rows, int $width): void
    {
        foreach ($rows as $row) {
            fputcsv($handle, array_pad(array_map(SpreadsheetText::kept(...), $row), $width, ''), ',', '"', '');
        }
    }

    private static function newCopy(): string
    {
        $copy = tempnam(sys_get_temp_dir(), 'rowtally');

        return $copy === false ? throw new RuntimeException('No room for a copy of the file.') : $copy;
    }
}
