<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\FieldsRequest;
use App\Models\Dataset;
use App\Report\Words\ReadFields;
use App\Report\Words\ShownField;
use Illuminate\Http\JsonResponse;

/** Figures set into sentences. */
final class FieldController
{
    public function index(Dataset $dataset, FieldsRequest $request, ReadFields $read): JsonResponse
    {
        return new JsonResponse([
            'revision' => $dataset->revision,
            'fields' => array_map(static fn(ShownField $shown): array => (array) $shown, $read->of($dataset, $request->fields())),
        ]);
    }
}
