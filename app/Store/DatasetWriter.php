<?php

declare(strict_types=1);

namespace App\Store;

use App\Intake\ReadVariable;
use App\Intake\RecognisedVariable;
use App\Intake\SharedSink;
use App\Intake\TableReading;
use App\Models\Dataset;
use App\Models\Variable;
use Closure;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Plots\MicroHistogram;
use RuntimeException;

/**
 * Writes the columns of a draft dataset while a file is read, then publishes them as revision 1 in one transaction. A draft that
 * is given up leaves nothing: deleting it deletes all of its columns.
 */
final class DatasetWriter implements SharedSink
{
    private const FIRST_REVISION = 1;
    private const STATEMENT_BYTES = 2 << 20;
    private const BATCHES_A_STATEMENT = 6;

    /** @var list<int> */
    private array $variableIds = [];
    /** @var list<array<string, int|string|null>> chunks that are still to be written */
    private array $waiting = [];
    private int $waitingBytes = 0;
    /** Rows of the last batch, and whether all before it were full. */
    private int $lastRows = Chunk::ROWS;
    private bool $isEven = true;

    public function __construct(private readonly Dataset $draft) {}

    /** Goes on with a draft whose variables are made. */
    public static function resume(Dataset $draft): self
    {
        $writer = new self($draft);
        $writer->variableIds = array_map(static fn(Variable $variable): int => $variable->id, array_values($draft->variables()->get()->all()));

        return $writer;
    }

    public function begin(array $variables): void
    {
        $keys = VariableKeys::for(array_map(static fn(RecognisedVariable $variable): string => $variable->name, $variables));
        foreach ($variables as $position => $variable) {
            $this->variableIds[] = Variable::query()->create([
                'dataset_id' => $this->draft->id,
                'position' => $position,
                'key' => $keys[$position],
                'name' => $variable->name,
                'type' => $variable->type,
                'unit' => $variable->unit,
                'dictionary' => [],
                'missing_marks' => $variable->missingMarks,
            ])->id;
        }
    }

    /** A connection belongs to one process; each makes its own when it first asks. */
    public function beforeSharing(): void
    {
        DB::disconnect();
    }

    public function write(int $number, array $columns): void
    {
        $chunks = [];
        $this->isEven = $this->isEven && $this->lastRows === Chunk::ROWS;
        foreach ($columns as $i => $column) {
            $this->lastRows = $column->chunk->rows;
            $chunks[] = ChunkRow::of($this->variableIds[$i], $number, self::FIRST_REVISION, $column);
        }
        // Few large statements: each is written through to the disk before the next.
        array_push($this->waiting, ...$chunks);
        $this->waitingBytes += array_sum(array_map(static fn(EncodedCells $column): int => strlen($column->chunk->payload), $columns));
        if ($this->waitingBytes >= self::STATEMENT_BYTES || count($this->waiting) >= self::BATCHES_A_STATEMENT * count($columns)) {
            $this->flush();
        }
    }

    public function flush(): void
    {
        // A statement may have 65,535 parameters, and a chunk row has thirteen.
        foreach (array_chunk($this->waiting, 1000) as $rows) {
            DB::table('column_chunks')->insert($rows);
        }
        $this->waiting = [];
        $this->waitingBytes = 0;
    }

    /**
     * Makes the draft a dataset that its owner sees.
     *
     * @param int|null               $counts   position of the variable that says how often each row counts
     * @param int|null               $counted  position of the variable of classes or values that they count
     * @param (Closure(): void)|null $together what is to be done with it or not at all
     */
    public function publish(TableReading $reading, string $summary, ?int $counts = null, ?int $counted = null, ?Closure $together = null): void
    {
        $this->flush();
        DB::transaction(function () use ($reading, $summary, $counts, $counted, $together): void {
            if ($together !== null) {
                $together();
            }
            $this->finish($reading->variables);
            $this->reveal($reading->rows, $reading->notes, $this->isEven, $summary, $counts, $counted);
        });
    }

    /** Takes away what somebody who gave up has written of some variables. */
    public function clear(int ...$positions): void
    {
        DB::table('column_chunks')->whereIn('variable_id', array_map(fn(int $position): int => $this->variableIds[$position], $positions))->delete();
    }

    /** Whether all batches but the last were full. */
    public function isEven(): bool
    {
        return $this->isEven;
    }

    /** @param array<int, ReadVariable> $variables by position; all of their chunks are written */
    public function finish(array $variables): void
    {
        foreach ($variables as $position => $read) {
            $this->finishVariable($this->variableIds[$position], $read);
        }
    }

    /**
     * The draft is a dataset from now on; all of its variables are finished.
     *
     * @param list<string> $notes
     */
    public function reveal(int $rows, array $notes, bool $isEven, string $summary, ?int $counts = null, ?int $counted = null): void
    {
        $this->proveWhole($rows);
        $this->draft->update([
            'rows' => $rows,
            'is_even' => $isEven,
            'notes' => $notes,
            'counts' => $this->keyAt($counts),
            'counted' => $counts === null ? null : $this->keyAt($counted),
            'revision' => self::FIRST_REVISION,
        ]);
        $this->draft->revisions()->create([
            'number' => self::FIRST_REVISION,
            'user_id' => $this->draft->user_id,
            'kind' => 'import',
            'summary' => $summary,
            'rows' => $rows,
        ]);
    }

    /** Of each variable as many rows are kept as were read: what is missing would not be missed otherwise. */
    private function proveWhole(int $rows): void
    {
        $kept = DB::table('column_chunks')->whereIn('variable_id', $this->variableIds)->groupBy('variable_id')->selectRaw('SUM(`rows`) AS kept')->pluck('kept')->all();
        if (count($kept) !== count($this->variableIds) || array_filter($kept, static fn(mixed $one): bool => !is_numeric($one) || (int) $one !== $rows) !== []) {
            throw new RuntimeException("Of {$rows} rows that were read not all were kept.");
        }
    }

    private function keyAt(?int $position): ?string
    {
        return $position === null ? null : Variable::query()->find($this->variableIds[$position] ?? 0)?->key;
    }

    private function finishVariable(int $id, ReadVariable $read): void
    {
        $variable = Variable::query()->findOrFail($id);
        $variable->fill([
            'type' => $read->type,
            'decimals' => $read->decimals,
            'label' => $read->label,
            'description' => $read->description,
            'missing' => $read->missing,
            'unread' => $read->unread,
            'dictionary' => $read->dictionary,
            'label_mark' => $read->labelMark,
        ])->save();
        $values = $read->values;
        if ($values !== null) {
            (new Tallies())->keep($variable, [$values], [$read->missing]);
        }
        // A number variable with too many values to count on the way has none yet; see OrderVariables.
        $variable->update(['label_counts' => $read->labelCounts, 'micro_histogram' => $values === null ? [] : MicroHistogram::of($values)]);
        VariableVersions::keep($variable, self::FIRST_REVISION);
    }
}
