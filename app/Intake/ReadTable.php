<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvFile;

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
        $table = PlannedTable::of($file, $decisions);
        $variables = $table->variables();
        $sink->begin($variables);
        $inTwo = $sink instanceof SharedSink && count($variables) > 1 && filesize($file->path) >= self::LONG_FILE && SecondProcess::isPossible();
        [$packed, $elsewhere] = $inTwo ? $table->packInTwo($sink, $progress) : [$table->pack(array_keys($variables), $sink, $progress), 0];
        $read = array_values($packed->variables);

        return new TableReading($packed->rows, $read, $table->notes($packed->reader->passedOver, array_map(static fn(ReadVariable $variable): array => [$variable->name, $variable->unread], $read)), $elsewhere);
    }
}
