<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Variable;
use App\Store\StoredColumns;
use App\Store\StoredRows;
use RowTally\Core\Columns\RowsMarked;
use RowTally\Core\Marks\NumberMarks;
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
        $aside = $draft->asideInForce();

        return $aside === null ? 0 : $draft->dataset->rows - $aside->missing;
    }

    public function apply(DraftRevision $draft): string
    {
        $reason = $this->reason === null ? '' : trim($this->reason);
        if ($this->reason !== null && $reason === '') {
            throw ChangeRefused::because('no-reason', 'Rows are set aside for a reason.', 'a reason', 'Type why they are left out: who reads the report will ask.');
        }
        $aside = $draft->aside();
        $isNew = $aside === null || $aside->deleted_revision !== null;
        $aside = $isNew ? $this->column($draft, $aside) : $aside;
        $places = $this->rows === null ? RowsMarked::by(StoredColumns::payloads($aside->id, $draft->number))->places() : $draft->places($this->rows);
        $changed = $isNew && $reason === '' ? 0 : $draft->label($aside, $places, $reason, $isNew);
        if ($changed === 0) {
            throw ChangeRefused::because('no-change', $reason === '' ? 'None of these rows is set aside.' : 'They are set aside for this reason already.', 'other rows', 'Look at the rows as they are now.');
        }
        $rows = $this->rows !== null && count($this->rows) === 1 ? "Row {$this->rows[0]}" : NumberMarks::keptCount($changed) . ($changed === 1 ? ' row' : ' rows');

        return $reason === '' ? "{$rows} brought back" : "{$rows} set aside: " . mb_strimwidth($reason, 0, 80, '…');
    }

    /** The column of reasons: a new one, or one that undoing had taken away, which begins empty. */
    private function column(DraftRevision $draft, ?Variable $aside): Variable
    {
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

        return $aside;
    }
}
