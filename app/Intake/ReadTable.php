<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvFile;
use RuntimeException;

/**
 * Reads a CSV file into columns: decides each column's type on a sample, then packs all rows, in two processes where the sink can be
 * shared and the file is long.
 */
final class ReadTable
{
    /** Shorter files are read before a second process would have begun. */
    private const LONG_FILE = 8 << 20;

    /**
     * @param callable(int $bytesRead, int $rowsRead): void $progress called after every chunk; may throw to stop the reading
     *
     * @throws NotATable
     */
    public function read(CsvFile $file, ColumnSink $sink, callable $progress, Decisions $decisions = new Decisions()): TableReading
    {
        $columns = array_filter(RecogniseColumns::of($file, $decisions), static fn(RecognisedVariable $variable): bool => $variable->isTaken);
        if ($columns === []) {
            throw NotATable::noColumnTaken();
        }
        $variables = array_values($columns);
        $sink->begin($variables);
        $packing = new PackColumns($file, $decisions, $columns);
        $inTwo = $sink instanceof SharedSink && count($variables) > 1 && filesize($file->path) >= self::LONG_FILE && SecondProcess::isPossible();
        [$packed, $elsewhere] = $inTwo ? PackInTwo::pack($packing, $variables, $sink, $progress) : [$packing->pack(array_keys($variables), $sink, $progress), 0];
        if ($packed->reader->bytesRead !== $file->bytes) {
            throw new RuntimeException("Of {$file->bytes} bytes {$packed->reader->bytesRead} were read.");
        }
        if ($packed->rows === 0) {
            throw NotATable::headerOnly(count($variables));
        }
        $read = array_values($packed->variables);

        return new TableReading($packed->rows, $read, [...ReadingNotes::of($file, $packed->reader, $read), ...ReadingNotes::doubts($file, $decisions, $variables)], $elsewhere);
    }
}
