<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Csv\PassedOver;
use RuntimeException;

/** A CSV file whose columns are recognised and whose rows are about to be read: of all columns at once, or of some here and of others elsewhere. */
final readonly class PlannedTable
{
    /** Told apart by workers of two versions: raise it when the same cells are packed another way. */
    private const VERSION = 1;

    /** @param array<int, RecognisedVariable> $columns those that are taken, by place in the table */
    private function __construct(
        public CsvFile $file,
        private Decisions $decisions,
        private array $columns,
    ) {}

    /** @throws NotATable when no column is taken */
    public static function of(CsvFile $file, Decisions $decisions): self
    {
        $columns = array_filter(RecogniseColumns::of($file, $decisions), static fn(RecognisedVariable $variable): bool => $variable->isTaken);

        return $columns === [] ? throw NotATable::noColumnTaken() : new self($file, $decisions, $columns);
    }

    /** @return non-empty-list<RecognisedVariable> */
    public function variables(): array
    {
        /** @var non-empty-list<RecognisedVariable> */
        return array_values($this->columns);
    }

    /** What the columns are taken for; the same wherever the same file is recognised by the same program. */
    public function recognised(): string
    {
        return hash('sha256', serialize([self::VERSION, $this->columns]));
    }

    /**
     * @param list<int>                                     $positions which columns
     * @param callable(int $bytesRead, int $rowsRead): void $progress  called after every chunk; may throw to stop the reading
     *
     * @throws NotATable
     */
    public function pack(array $positions, ColumnSink $sink, callable $progress): PackedColumns
    {
        return $this->whole((new PackColumns($this->file, $this->decisions, $this->columns))->pack($positions, $sink, $progress));
    }

    /**
     * All columns, by this process and a copy of it.
     *
     * @param callable(int $bytesRead, int $rowsRead): void $progress
     *
     * @return array{PackedColumns, int} and how many bytes the other process held at most
     *
     * @throws NotATable
     */
    public function packInTwo(SharedSink $sink, callable $progress): array
    {
        [$packed, $elsewhere] = PackInTwo::pack(new PackColumns($this->file, $this->decisions, $this->columns), $this->variables(), $sink, $progress);

        return [$this->whole($packed), $elsewhere];
    }

    /**
     * @param list<array{string, int}> $unread names of the variables, and how many of their cells could not be read
     *
     * @return list<string> what somebody should know of how it was read
     */
    public function notes(PassedOver $passedOver, array $unread): array
    {
        return [...ReadingNotes::of($this->file, $passedOver, $unread), ...ReadingNotes::doubts($this->file, $this->decisions, $this->variables())];
    }

    private function whole(PackedColumns $packed): PackedColumns
    {
        if ($packed->reader->bytesRead !== $this->file->bytes) {
            throw new RuntimeException("Of {$this->file->bytes} bytes {$packed->reader->bytesRead} were read.");
        }

        return $packed->rows === 0 ? throw NotATable::headerOnly(count($this->columns)) : $packed;
    }
}
