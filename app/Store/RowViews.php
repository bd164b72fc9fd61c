<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Formula\Formula;
use RowTally\Core\Formula\FormulaError;
use RowTally\Core\Values\Packed;

/** The rows that a condition leaves, in the order of a variable: worked out once a revision and kept. Sorting never touches the data. */
final readonly class RowViews
{
    private const SLICE = 8192;
    private const WORD = 4;

    public function __construct(private Tallies $tallies) {}

    /**
     * A part of the view: only so much of it is fetched.
     *
     * @return array{total: int, rows: list<int>} rows from 0; how many the whole view has
     *
     * @throws FormulaError
     * @throws UnknownVariable
     */
    public function part(Dataset $dataset, RowsQuestion $question, int $from, int $count): array
    {
        $where = $question->where === null || trim($question->where) === '' ? null : $question->where;
        if ($where === null && $question->sort === null) {
            $from = max(0, min($from, $dataset->rows));
            $count = min($count, $dataset->rows - $from);

            return ['total' => $dataset->rows, 'rows' => $count <= 0 ? [] : range($from, $from + $count - 1)];
        }
        $key = ['dataset_id' => $dataset->id, 'question' => hash('sha256', json_encode([$where, $question->sort, $question->descending, ...StoredGrouping::fencesIn($where, $question->basis)], JSON_THROW_ON_ERROR))];
        $kept = DB::table('row_views')->where([...$key, 'revision' => $dataset->revision])
            ->selectRaw('`rows`, used_at, SUBSTRING(payload, ?, ?) AS part', [self::WORD * max(0, $from) + 1, self::WORD * max(0, $count)])->first();
        if ($kept !== null && is_numeric($kept->rows) && is_string($kept->part)) {
            DerivedRoom::touch('row_views', $key, $kept->used_at);

            return ['total' => (int) $kept->rows, 'rows' => self::unpacked($kept->part)];
        }
        $rows = $this->worked($dataset, $where, $question);
        $packed = implode('', array_map(static fn(array $slice): string => pack('V*', ...$slice), array_chunk($rows, self::SLICE)));
        // Several windows of a new view are asked for at once, and each may have worked it out; they are the same.
        DB::table('row_views')->upsert([[...$key, 'revision' => $dataset->revision, 'rows' => count($rows), 'payload' => $packed, 'used_at' => time()]], ['dataset_id', 'question'], ['revision', 'rows', 'payload', 'used_at']);
        DerivedRoom::trimViews($dataset->id);

        return ['total' => count($rows), 'rows' => array_slice($rows, max(0, $from), max(0, $count))];
    }

    /** @return list<int> */
    private function worked(Dataset $dataset, ?string $where, RowsQuestion $question): array
    {
        $sort = $question->sort;
        $rows = $dataset->rows === 0 ? [] : ($where === null ? range(0, $dataset->rows - 1) : $this->matching($dataset, $where, $question->basis));
        if ($sort === null || $rows === []) {
            return $rows;
        }
        $variable = $dataset->variables->firstWhere('key', $sort) ?? throw UnknownVariable::named($sort);

        return SortRows::of($rows, $variable, $dataset->revision, $question->descending);
    }

    /** The views of older revisions are of no more use. */
    public static function forget(int $datasetId): void
    {
        DB::table('row_views')->where('dataset_id', $datasetId)->delete();
    }

    /** @return list<int> */
    private function matching(Dataset $dataset, string $where, Basis $basis): array
    {
        $stored = StoredRows::of($dataset, $this->tallies);
        $formula = Formula::of($where, $stored->names(), $basis)->waitedFor($dataset->rows);
        $rows = [];
        $before = 0;
        foreach ($stored->layout as $chunk => $count) {
            foreach ($formula->truths($stored->at($chunk)) as $i => $holds) {
                if ($holds === true) {
                    $rows[] = $before + $i;
                }
            }
            $before += $count;
        }

        return $rows;
    }

    /** @return list<int> */
    private static function unpacked(string $bytes): array
    {
        return $bytes === '' ? [] : array_values(Packed::integers('V*', $bytes));
    }
}
