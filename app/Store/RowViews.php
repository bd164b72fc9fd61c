<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use Closure;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Formula\Formula;
use RowTally\Core\Formula\FormulaError;
use RowTally\Core\Values\Packed;

/** The rows that a condition leaves, in the order of a variable: worked out once a revision and kept. Sorting never touches the data. */
final readonly class RowViews
{
    private const WORD = 4;
    private const LOOKED_AT = 100_000;
    /** Views that have the same place wait for one another. */
    private const WORKED_AT_ONCE = 64;
    private const LOOK_EVERY_MICROSECONDS = 20_000;

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
        $where = $question->condition();
        if ($question->isEveryRow()) {
            $from = max(0, min($from, $dataset->rows));
            $count = min($count, $dataset->rows - $from);

            return ['total' => $dataset->rows, 'rows' => $count <= 0 ? [] : range($from, $from + $count - 1)];
        }
        $key = ['dataset_id' => $dataset->id, 'question' => hash('sha256', json_encode([$where, $question->sort, $question->descending, ...StoredGrouping::fencesIn($where, $question->basis)], JSON_THROW_ON_ERROR))];
        $span = [max(0, $from), max(0, $count)];

        // Several windows of a new view are asked for at once: the first works it out, the others wait for that.
        return self::kept($key, $dataset->revision, $span) ?? self::alone($key['question'], function () use ($key, $dataset, $question, $where, $span): array {
            return self::kept($key, $dataset->revision, $span) ?? $this->made($key, $dataset, $question, $where, $span);
        });
    }

    /**
     * @param array{dataset_id: int, question: string} $key
     * @param array{int, int}                          $span
     *
     * @return array{total: int, rows: list<int>}|null
     */
    private static function kept(array $key, int $revision, array $span): ?array
    {
        $kept = DB::table('row_views')->where([...$key, 'revision' => $revision])
            ->selectRaw('`rows`, used_at, SUBSTRING(payload, ?, ?) AS part', [self::WORD * $span[0] + 1, self::WORD * $span[1]])->first();
        if ($kept === null || !is_numeric($kept->rows) || !is_string($kept->part)) {
            return null;
        }
        DerivedRoom::touch('row_views', $key, $kept->used_at);

        return ['total' => (int) $kept->rows, 'rows' => self::unpacked($kept->part)];
    }

    /**
     * @param array{dataset_id: int, question: string} $key
     * @param array{int, int}                          $span
     *
     * @return array{total: int, rows: list<int>}
     */
    private function made(array $key, Dataset $dataset, RowsQuestion $question, ?string $where, array $span): array
    {
        $packed = $this->worked($dataset, $where, $question);
        $total = intdiv(strlen($packed), self::WORD);
        // On another machine it may have been worked out, too; it is the same.
        DB::table('row_views')->upsert([[...$key, 'revision' => $dataset->revision, 'rows' => $total, 'payload' => $packed, 'used_at' => time()]], ['dataset_id', 'question'], ['revision', 'rows', 'payload', 'used_at']);
        DerivedRoom::trimViews($dataset->id);

        return ['total' => $total, 'rows' => self::unpacked(substr($packed, self::WORD * $span[0], self::WORD * $span[1]))];
    }

    /**
     * One at a time of this machine; a place that is held is free again however its request ends.
     *
     * @template T
     *
     * @param Closure(): T $work
     *
     * @return T
     */
    private static function alone(string $question, Closure $work): mixed
    {
        $file = @fopen(storage_path('framework/view-' . crc32($question) % self::WORKED_AT_ONCE), 'c');
        while ($file !== false && !flock($file, LOCK_EX | LOCK_NB)) {
            Underway::tell('Waiting for the same rows', 0, 1);
            usleep(self::LOOK_EVERY_MICROSECONDS);
        }
        try {
            return $work();
        } finally {
            if ($file !== false) {
                fclose($file);
            }
        }
    }

    /**
     * The first place of a view, at or behind another, whose row is among some.
     *
     * @param Closure(): iterable<int> $rows from 0
     *
     * @throws FormulaError
     * @throws UnknownVariable
     */
    public function firstOf(Dataset $dataset, RowsQuestion $question, int $from, Closure $rows): ?int
    {
        ['total' => $total, 'rows' => $first] = $this->part($dataset, $question, $from, self::LOOKED_AT);
        // A bit a row.
        $among = str_repeat("\0", ($dataset->rows >> 3) + 1);
        foreach ($total === 0 ? [] : $rows() as $row) {
            $among[$row >> 3] = chr(ord($among[$row >> 3]) | 1 << ($row & 7));
        }
        for ($at = max(0, $from); $at < $total; $at += self::LOOKED_AT) {
            foreach ($at === $from ? $first : $this->part($dataset, $question, $at, self::LOOKED_AT)['rows'] as $i => $row) {
                if ((ord($among[$row >> 3]) >> ($row & 7) & 1) === 1) {
                    return $at + $i;
                }
            }
        }

        return null;
    }

    /** Four bytes a row. */
    private function worked(Dataset $dataset, ?string $where, RowsQuestion $question): string
    {
        $sort = $question->sort;
        $rows = $where === null ? null : $this->matching($dataset, $where, $question->basis);
        if ($sort === null || $rows === '') {
            return $rows ?? '';
        }
        $variable = $dataset->variables->firstWhere('key', $sort) ?? throw UnknownVariable::named($sort);

        return SortRows::of($rows, $variable, $dataset->revision, $question->descending);
    }

    /** The views of older revisions are of no more use. */
    public static function forget(int $datasetId): void
    {
        DB::table('row_views')->where('dataset_id', $datasetId)->delete();
    }

    /** Ascending, four bytes a row. */
    private function matching(Dataset $dataset, string $where, Basis $basis): string
    {
        $stored = StoredRows::of($dataset, $this->tallies);
        $formula = Formula::of($where, $stored->names(), $basis)->waitedFor($dataset->rows);
        $rows = '';
        $before = 0;
        foreach ($stored->layout as $chunk => $count) {
            $holding = [];
            foreach ($formula->truths($stored->at($chunk)) as $i => $holds) {
                if ($holds === true) {
                    $holding[] = $before + $i;
                }
            }
            $rows .= pack('V*', ...$holding);
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
