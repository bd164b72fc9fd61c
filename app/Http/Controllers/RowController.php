<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\RowsRequest;
use App\Http\Resources\RowsResource;
use App\Models\Dataset;
use App\Store\ReadRows;
use Illuminate\Http\JsonResponse;

/** Windows of rows, and where a text stands in them. */
final class RowController
{
    public function index(Dataset $dataset, RowsRequest $request, ReadRows $readRows): RowsResource
    {
        return new RowsResource($readRows->window($dataset, $request->question()));
    }

    public function find(Dataset $dataset, RowsRequest $request, ReadRows $readRows): JsonResponse
    {
        return new JsonResponse(['place' => $readRows->find($dataset, $request->question(), $request->text())]);
    }
}
