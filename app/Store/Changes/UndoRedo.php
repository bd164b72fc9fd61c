<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Store\StoredColumns;
use App\Store\VariableVersions;
use Illuminate\Support\Facades\DB;

/** Undo and redo: makes everything as it was just before a change, or just after it, once more. */
final readonly class UndoRedo implements Change
{
    private function __construct(
        private string $word,
        /** The change that is taken back or done again. */
        public int $target,
        private int $toRevision,
        private string $summary,
    ) {}

    /** @throws ChangeRefused when there is nothing to undo */
    public static function undo(History $history): self
    {
        $last = $history->undoable() ?? throw ChangeRefused::because('nothing-to-undo', 'There is nothing to undo.', 'a change', 'The dataset is as it came in.');

        return new self('undo', $last->number, $last->number - 1, "Undone: {$last->keptSummary()}");
    }

    /** @throws ChangeRefused when there is nothing to redo */
    public static function redo(History $history): self
    {
        $next = $history->redoable() ?? throw ChangeRefused::because('nothing-to-redo', 'There is nothing to do again.', 'a change that was undone', 'A new change ends what could be done again.');

        return new self('redo', $next->number, $next->number, "Done again: {$next->keptSummary()}");
    }

    public function kind(): string
    {
        return $this->word;
    }

    public function apply(DraftRevision $draft): string
    {
        foreach ($draft->variables() as $variable) {
            $fields = VariableVersions::at($variable->id, $this->toRevision);
            if ($fields === null) {
                // It did not exist yet: it is not there, and can be brought back.
                $variable->deleted_revision = $draft->number;
                $draft->describe($variable);
                continue;
            }
            $variable->setRawAttributes([...$variable->getAttributes(), ...$fields]);
            $draft->describe($variable);
            $this->chunks($variable->id, $draft->number);
        }
        DB::table('deleted_rows')->where('dataset_id', $draft->dataset->id)->where('restored_revision', $this->target)->update(['restored_revision' => null]);
        $this->markDeletedRows($draft);
        $rows = $draft->dataset->revisions()->where('number', $this->toRevision)->value('rows');
        $draft->dataset->rows = is_numeric($rows) ? (int) $rows : $draft->dataset->rows;

        return $this->summary;
    }

    private function chunks(int $variableId, int $number): void
    {
        $then = StoredColumns::versions($variableId, $this->toRevision);
        $now = StoredColumns::versions($variableId, $number);
        $changed = array_keys(array_diff_assoc($then, $now) + array_diff_assoc($now, $then));
        foreach ($changed as $chunk) {
            DB::table('column_chunks')->where('variable_id', $variableId)->where('number', $chunk)->whereNull('until_revision')->update(['until_revision' => $number]);
            if (isset($then[$chunk])) {
                $columns = '`encoding`, `rows`, `missing`, `decimals`, `lowest`, `highest`, `sum`, `squares`, `unread`, `payload`';
                DB::statement(
                    "INSERT INTO column_chunks (variable_id, number, since_revision, {$columns}) SELECT variable_id, number, ?, {$columns} FROM column_chunks WHERE variable_id = ? AND number = ? AND since_revision = ?",
                    [$number, $variableId, $chunk, $then[$chunk]],
                );
            }
        }
    }

    /** Rows that the undone change had deleted are there again, so they need no bringing back; and the other way round. */
    private function markDeletedRows(DraftRevision $draft): void
    {
        $rows = DB::table('deleted_rows')->where('dataset_id', $draft->dataset->id)->where('revision', $this->target);
        if ($this->word === 'undo') {
            $rows->whereNull('restored_revision')->update(['restored_revision' => $draft->number]);
        } else {
            $rows->update(['restored_revision' => null]);
        }
    }
}
