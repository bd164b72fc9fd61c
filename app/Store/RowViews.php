<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Columns\VariableType;
use RowTally\Core\Formula\Formula;
use RowTally\Core\Formula\FormulaError;
use RowTally\Core\Values\Packed;

/** The rows that a condition leaves, in the order of a variable: worked out once a revision and kept. Sorting never touches the data. */
final readonly class RowViews
{
    private const SLICE = 8192;
    private const KEPT = 20;

    public function __construct(private Tallies $tallies) {}

    /**
     * @return string|null the rows from 0, four bytes each; null = all rows as they were entered
     *
     * @throws FormulaError
     * @throws UnknownVariable
     */
    public function rows(Dataset $dataset, ?string $where, ?string $sort, bool $descending): ?string
    {
        $where = $where === null || trim($where) === '' ? null : $where;
        if ($where === null && $sort === null) {
            return null;
        }
        $key = ['dataset_id' => $dataset->id, 'question' => hash('sha256', json_encode([$where, $sort, $descending], JSON_THROW_ON_ERROR))];
        $kept = DB::table('row_views')->where([...$key, 'revision' => $dataset->revision])->value('payload');
        if (is_string($kept)) {
            return $kept;
        }
        $rows = $where === null ? range(0, max(0, $dataset->rows - 1)) : $this->matching($dataset, $where);
        if ($dataset->rows === 0) {
            $rows = [];
        }
        if ($sort !== null) {
            $variable = $dataset->variables->firstWhere('key', $sort) ?? throw UnknownVariable::named($sort);
            $rows = $this->sorted($rows, $this->ranks($variable, $dataset->revision), $descending);
        }
        $packed = implode('', array_map(static fn(array $slice): string => pack('V*', ...$slice), array_chunk($rows, self::SLICE)));
        if (DB::table('row_views')->where('dataset_id', $dataset->id)->count() >= self::KEPT) {
            self::forget($dataset->id);
        }
        // Several windows of a new view are asked for at once, and each may have worked it out; they are the same.
        DB::table('row_views')->upsert([[...$key, 'revision' => $dataset->revision, 'rows' => count($rows), 'payload' => $packed]], ['dataset_id', 'question'], ['revision', 'rows', 'payload']);

        return $packed;
    }

    /** The views of older revisions are of no more use. */
    public static function forget(int $datasetId): void
    {
        DB::table('row_views')->where('dataset_id', $datasetId)->delete();
    }

    /** @return list<int> */
    private function matching(Dataset $dataset, string $where): array
    {
        $stored = StoredRows::of($dataset, $this->tallies);
        $formula = Formula::of($where, $stored->names());
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

    /** @return list<float|string|null> what each row is ordered by; null = missing */
    private function ranks(Variable $variable, int $revision): array
    {
        $ranks = [];
        $order = array_flip($variable->type === VariableType::Category ? $variable->dictionary : []);
        foreach (StoredColumns::encoded($variable, $revision) as $encoded) {
            foreach (ColumnCells::of($encoded, $variable->dictionary, $variable->decimals) as $i => $cell) {
                $ranks[] = match (true) {
                    $cell === '' || isset($encoded->unread[$i]) => null,
                    $variable->type === VariableType::Number => (float) $cell,
                    $variable->type === VariableType::Category => (float) ($order[$cell] ?? -1),
                    default => mb_strtolower($cell),
                };
            }
        }

        return $ranks;
    }

    /**
     * @param list<int>               $rows
     * @param list<float|string|null> $ranks
     *
     * @return list<int> missing ones last, equal ones as they were entered
     */
    private function sorted(array $rows, array $ranks, bool $descending): array
    {
        $present = $missing = [];
        foreach ($rows as $row) {
            $rank = $ranks[$row] ?? null;
            if ($rank === null) {
                $missing[] = $row;
            } else {
                $present[$row] = $rank;
            }
        }
        $descending ? arsort($present) : asort($present);

        return [...array_keys($present), ...$missing];
    }

    /** @return list<int> a window of a view, rows from 0 */
    public static function window(string $view, int $from, int $count): array
    {
        $bytes = substr($view, 4 * $from, 4 * $count);

        return $bytes === '' ? [] : array_values(Packed::integers('V*', $bytes));
    }
}
