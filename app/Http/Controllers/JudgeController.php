<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlotRequest;
use App\Models\Dataset;
use App\Store\JudgeVariable;
use Illuminate\Http\JsonResponse;

/** What somebody needs who judges a variable. */
final class JudgeController
{
    public function show(Dataset $dataset, PlotRequest $request, JudgeVariable $judge): JsonResponse
    {
        $answer = $judge->of($dataset, $request->question($dataset));
        /** @var array{rows: list<array{cells: array<string, string>}>, total: int} $far */
        $far = $answer['far'];

        return new JsonResponse([...$answer, 'far' => [...$far, 'rows' => array_map(static fn(array $row): array => [...$row, 'cells' => (object) $row['cells']], $far['rows'])]]);
    }
}
