<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Csv\CsvRows;
use Closure;
use RuntimeException;

/**
 * Reads a CSV file into columns: decides each column's type on a sample, then packs all rows. Where the sink can be shared and
 * the file is long, two processes go over it at once, each for its own columns.
 */
final class ReadTable
{
    /** Shorter files are read before a second process would have begun. */
    private const LONG_FILE = 8 << 20;
    private const NAMES_IN_A_NOTE = 5;
    private const LONGEST_TITLE = 120;

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
        [$packed, $elsewhere] = $inTwo ? $this->inTwo($packing, $variables, $sink, $progress) : [$packing->pack(array_keys($variables), $sink, $progress), 0];
        if ($packed->reader->bytesRead !== $file->bytes) {
            throw new RuntimeException("Of {$file->bytes} bytes {$packed->reader->bytesRead} were read.");
        }
        if ($packed->rows === 0) {
            throw NotATable::headerOnly(count($variables));
        }
        $read = array_values($packed->variables);

        return new TableReading($packed->rows, $read, [...$this->notes($file, $packed->reader, $read), ...$this->doubts($file, $decisions, $variables)], $elsewhere);
    }

    /**
     * @param list<RecognisedVariable> $variables
     * @param callable(int, int): void $progress
     *
     * @return array{PackedColumns, int} all columns, and how much memory the second process held at most
     */
    private function inTwo(PackColumns $packing, array $variables, SharedSink $sink, callable $progress): array
    {
        [$own, $others] = SharedColumns::of($variables);
        $sink->beforeSharing();
        $second = SecondProcess::begin(static function (Closure $goOn) use ($packing, $others, $sink): array {
            memory_reset_peak_usage();
            $before = memory_get_usage();
            $packed = $packing->pack($others, $sink, $goOn);
            $sink->flush();

            return [$packed->variables, memory_get_peak_usage() - $before, $packed->rows];
        });
        try {
            $packed = $packing->pack($own, $sink, $progress);
            /** @var array{array<int, ReadVariable>, int, int} $result */
            $result = $second->result(static fn() => $progress($packed->reader->bytesRead, $packed->rows));
        } finally {
            $second->stop();
        }
        if ($result[2] !== $packed->rows) {
            throw new RuntimeException("The two processes have read {$packed->rows} and {$result[2]} rows.");
        }
        $all = $packed->variables + $result[0];
        ksort($all);

        return [new PackedColumns($packed->rows, $all, $packed->reader), $result[1]];
    }

    /**
     * @param list<RecognisedVariable> $variables
     *
     * @return list<string>
     */
    private function doubts(CsvFile $file, Decisions $decisions, array $variables): array
    {
        $doubts = array_map(static fn(TwoReadings $two): string => ucfirst($two->why) . ": “{$two->text}” was read as {$two->readAs} and could mean {$two->couldBe}.", TwoReadings::ofTable($file, $decisions));
        foreach ($variables as $place => $variable) {
            $two = TwoReadings::of($place, $variable);
            if ($two !== null) {
                $doubts[] = "In {$variable->name} {$two->why}: “{$two->text}” was read as {$two->readAs} and could mean {$two->couldBe}.";
            }
        }

        return array_slice($doubts, 0, self::NAMES_IN_A_NOTE);
    }

    /**
     * @param list<ReadVariable> $variables
     *
     * @return list<string> what the reader of the file should know
     */
    private function notes(CsvFile $file, CsvRows $rows, array $variables): array
    {
        $notes = [];
        foreach ($file->titles as $title) {
            $notes[] = 'Above the table stands: ' . mb_strimwidth($title, 0, self::LONGEST_TITLE, '…');
        }
        if (!$file->dialect->hasHeader) {
            $notes[] = 'The first line holds no names, so it was read as a row, and the variables were numbered.';
        }
        if ($rows->shortRows > 0) {
            $notes[] = sprintf(
                '%s fewer cells than there are names (the first is line %d of the file); the cells that are not there count as missing.',
                $rows->shortRows === 1 ? 'One row has' : number_format($rows->shortRows) . ' rows have',
                $rows->firstShortLine,
            );
        }
        if ($rows->longRows > 0) {
            $notes[] = sprintf(
                '%s more cells than there are names (the first is line %d of the file); what stands behind the last name was left out.',
                $rows->longRows === 1 ? 'One row has' : number_format($rows->longRows) . ' rows have',
                $rows->firstLongLine,
            );
        }
        if ($rows->blankLines > 0) {
            $notes[] = $rows->blankLines === 1 ? 'One blank line was passed over.' : number_format($rows->blankLines) . ' blank lines were passed over.';
        }
        if ($rows->remarks > 0) {
            $notes[] = $rows->remarks === 1 ? 'One line of remarks was passed over.' : number_format($rows->remarks) . ' lines of remarks were passed over.';
        }
        if ($rows->leftOut > 0) {
            $notes[] = sprintf('%s that %s with %s left out.', $rows->leftOut === 1 ? 'One row' : number_format($rows->leftOut) . ' rows', $rows->leftOut === 1 ? 'begins' : 'begin', implode(' or ', array_map(static fn(string $text): string => "“{$text}”", $file->leaveOut)) . ($rows->leftOut === 1 ? ' was' : ' were'));
        }
        $unread = array_filter($variables, static fn(ReadVariable $variable): bool => $variable->unread > 0);
        if ($unread !== []) {
            $named = array_map(
                static fn(ReadVariable $variable): string => "{$variable->name} (" . number_format($variable->unread) . ')',
                array_slice(array_values($unread), 0, self::NAMES_IN_A_NOTE),
            );
            $more = count($unread) - count($named);
            $notes[] = 'Cells that could not be read were kept as text and count as missing: ' . implode(', ', $named) . ($more > 0 ? " and {$more} more variables." : '.');
        }

        return $notes;
    }
}
