<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Variable;
use App\Store\StoredRows;
use RowTally\Core\Parsing\VariableType;

/**
 * Rows leave every figure, for a reason, or come back. The reasons are a column of the dataset like any other, so that undo, deleting
 * and bringing back of rows take care of them; only no list of variables shows it.
 */
final readonly class SetAside implements Change
{
    public const MOST_ROWS = 10_000;
    public const LONGEST_REASON = 200;
    /** No name of a variable makes this key. */
    private const KEY = ' aside';

    /**
     * @param list<int>|null $rows   from 1; null = all that are set aside, which come back
     * @param string|null    $reason null = they come back
     */
    public function __construct(private ?array $rows, private ?string $reason) {}

    public function kind(): string
    {
        return $this->reason === null ? 'bring-back' : 'set-aside';
    }

    /** How many rows are set aside. */
    public static function rowsOf(DraftRevision $draft): int
    {
        $aside = $draft->aside();

        return $aside === null || $aside->deleted_revision !== null ? 0 : $draft->dataset->rows - $aside->missing;
    }

    public function apply(DraftRevision $draft): string
    {
        $reason = $this->reason === null ? '' : trim($this->reason);
        if ($this->reason !== null && $reason === '') {
            throw ChangeRefused::because('no-reason', 'Rows are set aside for a reason.', 'a reason', 'Type why they are left out: who reads the report will ask.');
        }
        $aside = $this->column($draft);
        $changed = $this->rows === null ? $this->bringAllBack($draft, $aside) : $this->mark($draft, $aside, $reason);
        if ($changed === 0) {
            throw ChangeRefused::because('no-change', $reason === '' ? 'None of these rows is set aside.' : 'They are set aside for this reason already.', 'other rows', 'Look at the rows as they are now.');
        }
        $rows = $this->rows !== null && count($this->rows) === 1 ? "Row {$this->rows[0]}" : number_format($changed) . ($changed === 1 ? ' row' : ' rows');

        return $reason === '' ? "{$rows} brought back" : "{$rows} set aside: " . mb_strimwidth($reason, 0, 80, '…');
    }

    private function mark(DraftRevision $draft, Variable $aside, string $reason): int
    {
        $byChunk = [];
        foreach (array_unique($this->rows ?? []) as $row) {
            [$chunk, $place] = $draft->place($row);
            $byChunk[$chunk][] = $place;
        }
        $changed = 0;
        foreach ($byChunk as $chunk => $places) {
            $cells = $draft->cells($aside, $chunk);
            $before = $cells;
            foreach ($places as $place) {
                $changed += $cells[$place] === $reason ? 0 : 1;
                $cells[$place] = $reason;
            }
            if ($cells !== $before) {
                $draft->put($aside, $chunk, array_values($cells));
            }
        }

        return $changed;
    }

    private function bringAllBack(DraftRevision $draft, Variable $aside): int
    {
        $changed = 0;
        foreach ($draft->layout() as $chunk => $rows) {
            $set = count(array_filter($draft->cells($aside, $chunk), static fn(string $cell): bool => $cell !== ''));
            if ($set > 0) {
                $changed += $set;
                $draft->put($aside, $chunk, array_fill(0, $rows, ''));
            }
        }

        return $changed;
    }

    /** The column of reasons: a new one, or one that undoing had taken away, begins empty. */
    private function column(DraftRevision $draft): Variable
    {
        $aside = $draft->aside();
        if ($aside !== null && $aside->deleted_revision === null) {
            return $aside;
        }
        $layout = $draft->layout();
        if ($aside === null) {
            $aside = Variable::query()->create([
                'dataset_id' => $draft->dataset->id,
                'position' => 1 + max([0, ...array_map(static fn(Variable $variable): int => $variable->position, $draft->variables())]),
                'key' => self::KEY,
                'name' => StoredRows::ASIDE,
                'type' => VariableType::Category,
                'dictionary' => [],
                'role' => Variable::ASIDE,
            ])->refresh();
            $draft->add($aside);
        }
        $aside->deleted_revision = null;
        $draft->describe($aside);
        foreach ($layout as $chunk => $rows) {
            $draft->put($aside, $chunk, array_fill(0, $rows, ''));
        }

        return $aside;
    }
}
