<?php

declare(strict_types=1);

namespace App\Intake\Csv;

use App\Intake\NotATable;
use Generator;
use RowTally\Core\Columns\Chunk;
use RuntimeException;

/**
 * Reads the rows of a CSV file, block by block, as columns of cells.
 *
 * Two ways, one answer: a block without quotation marks whose rows are all as wide as the header is cut by one expression into
 * columns; any other block goes record by record.
 */
final class CsvRows
{
    private const BLOCK = 1 << 15;
    private const LONGEST_RECORD = 1 << 22;
    /** What is held at once of a table: so many cells of all columns, and so many bytes. */
    private const MOST_CELLS = 2_000_000;
    private const MOST_BYTES = 16 << 20;

    private readonly CsvRecords $records;
    private readonly string $wholeRow;
    /** @var non-empty-list<int> places of the columns that are wanted */
    private readonly array $places;
    private readonly int $width;
    /** @var list<string> texts that must not stand in a block that goes the fast way */
    private readonly array $needsCare;
    private string $rest = '';
    private int $line;

    public int $bytesRead = 0;
    public readonly PassedOver $passedOver;
    /** Whether an apostrophe stood anywhere so far; only then can one have been put before a text. */
    public bool $hasApostrophes = false;
    /** How many blocks went the fast way; for tests that must know that it ran. */
    public int $fastBlocks = 0;

    /** @param list<int> $places of the columns that are wanted, ascending; none = all of them */
    public function __construct(private readonly CsvFile $file, array $places = [])
    {
        $this->passedOver = new PassedOver();
        $dialect = $file->dialect;
        $this->records = new CsvRecords($dialect->delimiter, $dialect->quote);
        $this->width = count($file->names);
        $this->line = $file->rowsLine;
        $this->places = $places === [] ? range(0, $this->width - 1) : $places;
        // What is not wanted is passed over and not cut out.
        $cell = '[^\n' . preg_quote($dialect->delimiter, '/') . ']*+';
        $cells = array_replace(array_fill(0, $this->width, $cell), array_fill_keys($this->places, "({$cell})"));
        // The match itself is made short by \K: the copy of every row would cost up to a tenth.
        $this->wholeRow = '/^' . implode(preg_quote($dialect->delimiter, '/'), $cells) . '\K(?:\n|\z)/m';
        $this->needsCare = [
            ...($dialect->quote === '' ? [] : [substr($dialect->quote, -1)]),
            ...($dialect->comment === '' ? [] : ["\n{$dialect->comment}"]),
            ...$file->leaveOut,
        ];
    }

    /**
     * @return Generator<int, array<int, list<string>>> for each batch of up to Chunk::ROWS rows, the cells of every column that is
     *                                                  wanted, by place; fewer rows are in the last one, and where rows are long.
     *                                                  Whichever columns are wanted, a batch has the same rows
     *
     * @throws NotATable naming the line
     */
    public function batches(): Generator
    {
        $pieces = [];
        foreach ($this->pieces() as [$columns, $isEnd]) {
            $pieces[] = $columns;
            if ($isEnd) {
                yield $this->joined($pieces);
                $pieces = [];
            }
        }
    }

    /**
     * The same some hundred rows at a time, while they are at hand: a batch of cells is more than the nearest memory of a processor holds.
     *
     * @return Generator<int, array{array<int, list<string>>, bool}> the cells of some rows, and whether the batch ends with them
     *
     * @throws NotATable naming the line
     */
    public function pieces(): Generator
    {
        $rows = 0;
        $any = $this->places[0];
        $most = max(1, min(Chunk::ROWS, intdiv(self::MOST_CELLS, $this->width)));
        $from = $this->bytesRead;
        foreach ($this->blocks() as $columns) {
            while ($rows + count($columns[$any]) >= $most) {
                $fit = $most - $rows;
                yield [array_map(static fn(array $cells): array => array_slice($cells, 0, $fit), $columns), true];
                $columns = array_map(static fn(array $cells): array => array_slice($cells, $fit), $columns);
                $rows = 0;
                $from = $this->bytesRead;
            }
            $rows += count($columns[$any]);
            $isEnd = $rows > 0 && $this->bytesRead - $from >= self::MOST_BYTES;
            if ($isEnd || $columns[$any] !== []) {
                yield [$columns, $isEnd];
            }
            if ($isEnd) {
                $rows = 0;
                $from = $this->bytesRead;
            }
        }
        if ($rows > 0) {
            yield [array_fill_keys($this->places, []), true];
        }
    }

    /**
     * @param list<array<int, list<string>>> $pieces
     *
     * @return array<int, list<string>>
     */
    private function joined(array $pieces): array
    {
        if (count($pieces) === 1) {
            return $pieces[0];
        }
        $joined = [];
        foreach ($this->places as $place) {
            $joined[$place] = array_merge(...array_column($pieces, $place));
        }

        return $joined;
    }

    /** @return Generator<int, array<int, list<string>>> */
    private function blocks(): Generator
    {
        $handle = fopen($this->file->path, 'r');
        if ($handle === false) {
            throw new RuntimeException("The file {$this->file->path} cannot be opened.");
        }
        fseek($handle, $this->file->rowsAt);
        $this->bytesRead = $this->file->rowsAt;
        do {
            $read = (string) fread($handle, self::BLOCK);
            $isLast = feof($handle);
            $this->bytesRead += strlen($read);
            $text = $this->rest . $read;
            $this->rest = '';
            if ($text === '') {
                continue;
            }
            $columns = $this->fast($text, $isLast) ?? $this->careful($text, $isLast);
            if ($columns[$this->places[0]] !== []) {
                yield $columns;
            }
            if ($this->restBytes() > self::LONGEST_RECORD) {
                throw NotATable::lineTooLong($this->line, self::LONGEST_RECORD);
            }
        } while (!$isLast);
        fclose($handle);
    }

    private function restBytes(): int
    {
        return strlen($this->rest);
    }

    /** @return array<int, list<string>>|null null when the block needs care */
    private function fast(string $text, bool $isLast): ?array
    {
        $this->hasApostrophes = $this->hasApostrophes || str_contains($text, "'");
        foreach ($this->needsCare as $sign) {
            if (str_contains($text, $sign)) {
                return null;
            }
        }
        if ($this->file->dialect->comment !== '' && str_starts_with($text, $this->file->dialect->comment)) {
            return null;
        }
        $end = strrpos($text, "\n");
        if ($end === false) {
            return null;
        }
        $rows = $isLast ? rtrim($text, "\r\n") : substr($text, 0, $end);
        $this->checkText($rows);
        if (str_contains($rows, "\r")) {
            $rows = rtrim(str_replace("\r\n", "\n", $rows), "\r");
            if (str_contains($rows, "\r")) {
                return null;
            }
        }
        $expected = substr_count($rows, "\n") + 1;
        if ($rows === '' || preg_match_all($this->wholeRow, $rows, $columns) !== $expected
            || ($this->width > 1 && ($rows[0] === "\n" || str_contains($rows, "\n\n")))) {
            return null;
        }
        ++$this->fastBlocks;
        $this->line += $expected;
        $this->rest = $isLast ? '' : substr($text, $end + 1);
        array_shift($columns);

        /** @var list<list<string>> $columns */
        return array_combine($this->places, $columns);
    }

    /** @return array<int, list<string>> */
    private function careful(string $text, bool $isLast): array
    {
        $cut = $this->records->cut($text, $this->line, $isLast);
        $used = $cut['ends'] === [] ? 0 : $cut['ends'][count($cut['ends']) - 1];
        $this->checkText(substr($text, 0, $used));
        $rows = [];
        foreach ($cut['records'] as $i => $record) {
            $cells = count($record);
            if (DialectGuess::isRemark($record, $this->file->dialect->comment)) {
                ++$this->passedOver->remarks;
                continue;
            }
            if ($this->file->leavesOut($record)) {
                ++$this->passedOver->leftOut;
                continue;
            }
            if ($cells !== $this->width) {
                if ($record === ['']) {
                    ++$this->passedOver->blankLines;
                    continue;
                }
                $record = $this->asWide($record, $cells, $cut['lines'][$i]);
            }
            $rows[] = $record;
        }
        $this->line = $cut['next'];
        $this->rest = substr($text, $used);
        if ($rows === []) {
            return array_fill_keys($this->places, []);
        }

        $columns = [];
        foreach ($this->places as $place) {
            $columns[$place] = array_column($rows, $place);
        }

        return $columns;
    }

    /**
     * @param list<string> $record
     *
     * @return list<string>
     */
    private function asWide(array $record, int $cells, int $line): array
    {
        if ($cells < $this->width) {
            ++$this->passedOver->shortRows;
            $this->passedOver->firstShortLine ??= $line;

            return array_pad($record, $this->width, '');
        }
        if (array_filter(array_slice($record, $this->width), static fn(string $cell): bool => $cell !== '') !== []) {
            if (!$this->file->leavesOutExtraCells) {
                throw NotATable::tooManyCells($line, $cells, $this->width);
            }
            ++$this->passedOver->longRows;
            $this->passedOver->firstLongLine ??= $line;
        }

        return array_slice($record, 0, $this->width);
    }

    private function checkText(string $text): void
    {
        // Most texts have nothing but ASCII, which is told in a third of the time.
        if (preg_match('/\A[\x01-\x7f]*+\z/', $text) === 1 || (($this->file->isChecked || mb_check_encoding($text, 'UTF-8')) && !str_contains($text, "\0"))) {
            return;
        }
        foreach (explode("\n", $text) as $i => $row) {
            if (!mb_check_encoding($row, 'UTF-8')) {
                throw NotATable::notUtf8($this->line + $i);
            }
        }
        throw NotATable::binary("line {$this->line} or one of the lines after it holds a zero byte");
    }
}
