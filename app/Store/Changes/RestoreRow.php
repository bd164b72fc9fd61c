<?php

declare(strict_types=1);

namespace App\Store\Changes;

use Illuminate\Support\Facades\DB;

/** Brings a deleted row back to where it was, or to the end if that is gone. */
final readonly class RestoreRow implements Change
{
    public function __construct(private int $deletedRow) {}

    public function kind(): string
    {
        return 'restore-row';
    }

    public function apply(DraftRevision $draft): string
    {
        $deleted = DB::table('deleted_rows')->where('id', $this->deletedRow)->where('dataset_id', $draft->dataset->id)->whereNull('restored_revision')->first();
        if ($deleted === null) {
            throw ChangeRefused::because('not-deleted', 'This row is there already.', 'a deleted row', 'Look at the rows as they are now.');
        }
        /** @var array<array-key, mixed> $kept */
        $kept = json_decode(is_string($deleted->cells) ? $deleted->cells : '{}', true, 8, JSON_THROW_ON_ERROR);
        $position = max(1, min(is_numeric($deleted->position) ? (int) $deleted->position : 1, $draft->dataset->rows + 1));
        [$chunk, $place] = $position > $draft->dataset->rows ? $this->end($draft) : $draft->place($position);
        foreach ($draft->variables() as $variable) {
            $cells = $draft->cells($variable, $chunk);
            $cell = $kept[$variable->id] ?? '';
            array_splice($cells, $place, 0, [is_string($cell) ? $cell : '']);
            $draft->put($variable, $chunk, $cells);
        }
        ++$draft->dataset->rows;
        DB::table('deleted_rows')->where('id', $this->deletedRow)->update(['restored_revision' => $draft->number]);

        return "Row {$position} brought back";
    }

    /** @return array{int, int} */
    private function end(DraftRevision $draft): array
    {
        $layout = $draft->layout();

        return $layout === [] ? [0, 0] : [count($layout) - 1, $layout[count($layout) - 1]];
    }
}
