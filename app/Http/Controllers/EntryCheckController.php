<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\CompareEntriesRequest;
use App\Http\Requests\LookedAtRequest;
use App\Imports\CompareEntries;
use App\Models\Dataset;
use App\Store\CheckEntries;
use Illuminate\Http\JsonResponse;

/** The entry check of a dataset, and what of it somebody has looked at. */
final class EntryCheckController
{
    public function index(Dataset $dataset, CheckEntries $checkEntries): JsonResponse
    {
        return new JsonResponse(array_map(static fn(array $found): array => [
            'variable' => $found['variable']->key,
            'name' => $found['variable']->name,
            'code' => $found['line']->code,
            'words' => $found['line']->words,
            'entries' => $found['line']->entries,
            'where' => $found['line']->where,
            'suspect' => $found['line']->isSuspect,
            'looked_at' => $found['looked_at'],
        ], $checkEntries->of($dataset)));
    }

    public function compare(Dataset $dataset, CompareEntriesRequest $request, CompareEntries $compareEntries): JsonResponse
    {
        return new JsonResponse($request->compare($dataset, $compareEntries));
    }

    public function lookedAt(Dataset $dataset, LookedAtRequest $request, CheckEntries $checkEntries): JsonResponse
    {
        $checkEntries->lookedAt($dataset, $request->line(), $request->isLookedAt());

        return $this->index($dataset, $checkEntries);
    }
}
