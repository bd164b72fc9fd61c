<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Dataset;
use App\Models\Revision;
use App\Models\Variable;
use App\Store\Changes\History;
use App\Store\DeletedRows;
use Illuminate\Http\Request;

/** @property array{dataset: Dataset, history: History} $resource */
final class HistoryResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        ['dataset' => $dataset, 'history' => $history] = $this->resource;

        return [
            'changes' => array_map(static fn(Revision $change): array => [
                'number' => $change->number,
                'kind' => $change->kind,
                'summary' => $change->summary,
                'by' => $change->user->name ?? 'an account that is gone',
                'at' => $change->created_at->toIso8601ZuluString(),
                'undone' => $history->isUndone($change),
            ], $history->changes),
            'undo' => $history->undoable()?->summary,
            'redo' => $history->redoable()?->summary,
            'deleted_variables' => array_values(array_map(
                static fn(Variable $variable): array => ['key' => $variable->key, 'name' => $variable->name],
                $dataset->allVariables->filter(static fn(Variable $variable): bool => $variable->deleted_revision !== null && $variable->role === null)->all(),
            )),
            'deleted_rows' => DeletedRows::of($dataset),
        ];
    }
}
