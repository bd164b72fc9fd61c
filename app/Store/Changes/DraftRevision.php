<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Dataset;
use App\Models\Variable;
use App\Store\ChunkRow;
use App\Store\StoredColumns;
use App\Store\UnknownVariable;
use App\Store\VariableVersions;
use Closure;
use Illuminate\Support\Facades\DB;
use LogicException;
use RowTally\Core\Columns\AmendedNumbers;
use RowTally\Core\Columns\CategoryColumnBuilder;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\ChunkEncoding;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Parsing\VariableType;

/**
 * A revision of a dataset while it is being made, inside one transaction: chunks are read as cells and put back, of which only
 * those that were touched get a new version.
 */
final class DraftRevision
{
    private const CHUNKS_A_STATEMENT = 64;
    /** Up to so many texts of a chunk are changed without reading the others. */
    private const FEW_CELLS = 64;

    /** @var array<int, Variable> by id */
    private array $variables = [];
    /** @var array<int, true> variables whose fields changed */
    private array $described = [];
    /** @var array<int, array<int, true>> variable => chunk numbers with new values */
    private array $touched = [];
    /** @var list<int>|null rows of each chunk */
    private ?array $layout = null;
    private readonly ValueDifferences $differences;
    private int $puts = 0;
    /** @var array<int, int> the revision that had last changed the values of a touched variable, before this one */
    private array $dataRevisions = [];

    public function __construct(
        public readonly Dataset $dataset,
        public readonly int $number,
        /** @var (Closure(int, int): void)|null told how many chunks of how many are put; may throw, which gives the draft up */
        private readonly ?Closure $told = null,
    ) {
        $this->differences = new ValueDifferences();
        foreach ($dataset->allVariables()->get() as $variable) {
            $this->variables[$variable->id] = $variable;
        }
    }

    /** @throws UnknownVariable */
    public function variable(string $key): Variable
    {
        foreach ($this->variables as $variable) {
            if ($variable->key === $key && $variable->deleted_revision === null && $variable->role === null) {
                return $variable;
            }
        }
        throw UnknownVariable::named($key);
    }

    /** The reasons of rows set aside; null where none ever was. It may be deleted, by undoing. */
    public function aside(): ?Variable
    {
        foreach ($this->variables as $variable) {
            if ($variable->role === Variable::ASIDE) {
                return $variable;
            }
        }

        return null;
    }

    /** The same where it stands by now. */
    public function asideInForce(): ?Variable
    {
        $aside = $this->aside();

        return $aside === null || $aside->deleted_revision !== null ? null : $aside;
    }

    /** @return array<int, Variable> by id, also those that can be brought back */
    public function variables(): array
    {
        return $this->variables;
    }

    /** @return array<int, array<int, true>> variable => chunk numbers with new values */
    public function touched(): array
    {
        return $this->touched;
    }

    public function differences(): ValueDifferences
    {
        return $this->differences;
    }

    /** The revision that had last changed the values of a variable before this one touched them; null = it was not touched. */
    public function dataRevisionBefore(int $variableId): ?int
    {
        return $this->dataRevisions[$variableId] ?? null;
    }

    /** @return list<int> rows of each chunk, all variables are cut alike */
    public function layout(): array
    {
        if ($this->layout === null) {
            $any = array_key_first($this->variables);
            $this->layout = $any === null ? [] : StoredColumns::layout($any, $this->number);
        }

        return $this->layout;
    }

    /** @return array{int, int} chunk and place in it, from 0, of a row from 1 */
    public function place(int $row): array
    {
        $before = 0;
        foreach ($this->layout() as $number => $rows) {
            if ($row >= 1 && $row <= $before + $rows) {
                return [$number, $row - $before - 1];
            }
            $before += $rows;
        }
        throw ChangeRefused::because('no-row', "There is no row {$row}.", "a row from 1 to {$before}", 'Look at the rows as they are now.');
    }

    /**
     * @param array<int> $rows from 1
     *
     * @return array<int, list<int>> places in their chunk, from 0, by chunk
     */
    public function places(array $rows): array
    {
        sort($rows);
        $places = [];
        [$chunk, $before] = [0, 0];
        $layout = $this->layout();
        foreach (array_unique($rows) as $row) {
            while (isset($layout[$chunk]) && $row > $before + $layout[$chunk]) {
                $before += $layout[$chunk++];
            }
            if ($row < 1 || !isset($layout[$chunk])) {
                throw ChangeRefused::because('no-row', "There is no row {$row}.", 'a row from 1 to ' . array_sum($layout), 'Look at the rows as they are now.');
            }
            $places[$chunk][] = $row - $before - 1;
        }

        return $places;
    }

    /** @return list<string> */
    public function cells(Variable $variable, int $chunk): array
    {
        $encoded = StoredColumns::encoded($variable, $this->number, $chunk)[$chunk] ?? null;

        return $encoded === null ? [] : ColumnCells::of($encoded, $variable->dictionary, $variable->decimals);
    }

    /**
     * Puts new cells in the place of a chunk, packed after the variable's type.
     *
     * @param list<string> $cells numbers with a decimal point; the empty text is missing
     */
    public function put(Variable $variable, int $chunk, array $cells): void
    {
        $this->putInPlaceOf(StoredColumns::encoded($variable, $this->number, $chunk)[$chunk] ?? null, $variable, $chunk, $cells);
    }

    /**
     * Puts new texts in single cells of a chunk.
     *
     * @param array<int, string> $texts by place in the chunk, from 0
     *
     * @return array<int, string> what stood in those that are others now, by place
     */
    public function amend(Variable $variable, int $chunk, array $texts): array
    {
        $before = StoredColumns::encoded($variable, $this->number, $chunk)[$chunk] ?? throw new LogicException('no chunk');
        $cells = static fn(int $from, ?int $count): array => ColumnCells::of($before, $variable->dictionary, $variable->decimals, $from, $count);
        $all = count($texts) > self::FEW_CELLS ? $cells(0, null) : null;
        $stood = [];
        foreach ($texts as $place => $text) {
            $own = $all[$place] ?? $cells($place, 1)[0];
            if ($own !== $text) {
                $stood[$place] = $own;
            }
        }
        if ($stood === []) {
            return [];
        }
        $texts = array_intersect_key($texts, $stood);
        $amended = $variable->type !== VariableType::Number ? null
            : AmendedNumbers::of($before, new NumberColumn($variable->decimals, $variable->dictionary, []), $texts);
        if ($amended === null) {
            $this->putInPlaceOf($before, $variable, $chunk, array_values(array_replace($all ?? $cells(0, null), $texts)));
        } else {
            $this->tellOfPut();
            $this->replace($variable, $chunk, $amended->cells, $before);
            $this->differences->note($variable, $amended->removed, $amended->added);
        }

        return $stood;
    }

    /** @param list<string> $cells */
    private function putInPlaceOf(?EncodedCells $before, Variable $variable, int $chunk, array $cells): void
    {
        $this->tellOfPut();
        $decimals = $variable->decimals;
        $encoded = PackChunk::of($cells, $variable, $before, $this->dataset->rows, $this->number);
        $this->replace($variable, $chunk, $encoded, $before);
        $this->differences->put($variable, $before, $encoded, $decimals);
    }

    private function tellOfPut(): void
    {
        ++$this->puts;
        if ($this->told !== null) {
            ($this->told)($this->puts, max($this->puts, count($this->layout())));
        }
    }

    /**
     * Puts a label in the place of single entries of a category; the empty one takes them out. All chunks in a few statements.
     *
     * @param array<int, list<int>> $places by chunk
     * @param bool                  $anew   whether no row had an entry, whatever stands in the store
     *
     * @return int how many entries are others now
     */
    public function label(Variable $category, array $places, string $label, bool $anew): int
    {
        $layout = $this->layout();
        $numbers = array_keys($anew ? $layout : $places);
        $before = $anew || $numbers === [] ? [] : StoredColumns::payloads($category->id, $this->number, $numbers);
        $dictionary = $category->dictionary;
        if ($anew) {
            $category->missing = array_sum($layout);
            $category->label_counts = array_fill(0, count($dictionary), 0);
        }
        $code = $label === '' ? 0 : array_search($label, $dictionary, true);
        if ($code === false) {
            if (count($dictionary) === CategoryColumnBuilder::MAX_LABELS) {
                throw PackChunk::tooManyLabels($category);
            }
            $category->dictionary = $dictionary = [...$dictionary, $label];
            $category->label_counts = [...$category->label_counts, 0];
            $code = count($dictionary);
        } elseif ($label !== '') {
            ++$code;
        }
        $byte = chr($code);
        $changed = 0;
        $counts = [$category->missing, ...$category->label_counts];
        $rows = [];
        foreach ($numbers as $number) {
            $payload = $before[$number] ?? str_repeat("\0", $layout[$number]);
            $own = 0;
            foreach ($places[$number] ?? [] as $place) {
                if ($payload[$place] !== $byte) {
                    --$counts[ord($payload[$place])];
                    ++$counts[$code];
                    $payload[$place] = $byte;
                    ++$own;
                }
            }
            $changed += $own;
            if ($own > 0 || $anew) {
                $rows[$number] = ChunkRow::of($category->id, $number, $this->number, new EncodedCells(new Chunk(ChunkEncoding::Codes, strlen($payload), substr_count($payload, "\0"), $payload)));
            }
        }
        [$category->missing, $category->label_counts] = [$counts[0], array_slice($counts, 1)];
        $this->close($category->id, array_keys($rows));
        foreach (array_chunk($rows, self::CHUNKS_A_STATEMENT) as $some) {
            DB::table('column_chunks')->insert($some);
        }
        $this->note($category, array_keys($rows));

        return $changed;
    }

    public function replace(Variable $variable, int $chunk, EncodedCells $encoded, ?EncodedCells $before): void
    {
        $variable->missing += $encoded->chunk->missing - ($before->chunk->missing ?? 0);
        $variable->unread += count($encoded->unread) - count($before->unread ?? []);
        if ($variable->type === VariableType::Category) {
            $variable->label_counts = self::labelCounts($variable->label_counts, count($variable->dictionary), $before, $encoded);
        }
        // Of a new variable the chunks are as long as those of the others.
        if ($before !== null && $before->chunk->rows !== $encoded->chunk->rows) {
            $this->dataset->is_even = false;
        }
        $this->close($variable->id, [$chunk]);
        DB::table('column_chunks')->insert(ChunkRow::of($variable->id, $chunk, $this->number, $encoded));
        $this->note($variable, [$chunk]);
    }

    /** @param list<int> $chunks that have new values */
    private function note(Variable $variable, array $chunks): void
    {
        $this->touched[$variable->id] = ($this->touched[$variable->id] ?? []) + array_fill_keys($chunks, true);
        $this->described[$variable->id] = true;
        $this->layout = null;
        $this->dataRevisions[$variable->id] ??= $variable->data_revision;
        $variable->data_revision = $this->number;
    }

    /** The variable's fields have changed; they are saved at the end. */
    public function describe(Variable $variable): void
    {
        $this->described[$variable->id] = true;
    }

    public function add(Variable $variable): void
    {
        $this->variables[$variable->id] = $variable;
        $this->described[$variable->id] = true;
    }

    /** Saves the variables' fields with a version each. */
    public function finish(): void
    {
        foreach (array_keys($this->described) as $id) {
            $variable = $this->variables[$id];
            $variable->save();
            VariableVersions::keep($variable, $this->number);
        }
    }

    /**
     * Ends the current versions of chunks; those that this revision has made itself are gone.
     *
     * @param list<int> $chunks
     */
    private function close(int $variableId, array $chunks): void
    {
        $current = DB::table('column_chunks')->where('variable_id', $variableId)->whereIn('number', $chunks)->whereNull('until_revision');
        if (array_intersect_key($this->touched[$variableId] ?? [], array_fill_keys($chunks, true)) !== []) {
            (clone $current)->where('since_revision', $this->number)->delete();
        }
        $current->update(['until_revision' => $this->number]);
    }

    /**
     * @param list<int> $counts
     *
     * @return list<int>
     */
    private static function labelCounts(array $counts, int $labels, ?EncodedCells $before, EncodedCells $after): array
    {
        $counts = array_slice(array_pad($counts, $labels, 0), 0, $labels);
        foreach ([[-1, $before], [1, $after]] as [$sign, $cells]) {
            foreach ($cells !== null && $cells->chunk->encoding === ChunkEncoding::Codes && $cells->chunk->decimals === null ? count_chars($cells->chunk->payload, 1) : [] as $code => $count) {
                if ($code > 0) {
                    $counts[$code - 1] = ($counts[$code - 1] ?? 0) + $sign * $count;
                }
            }
        }

        return array_values($counts);
    }
}
