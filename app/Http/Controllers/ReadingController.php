<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ReadingsRequest;
use App\Http\Resources\SaidResource;
use App\Models\Dataset;
use App\Store\SayReadings;
use Illuminate\Http\JsonResponse;

/** What the figures of a dataset say. */
final class ReadingController
{
    public function index(Dataset $dataset, ReadingsRequest $request, SayReadings $say): JsonResponse
    {
        $said = array_slice($say->of($dataset, $request->question($dataset), $request->classReading()), 0, $request->most());

        return new JsonResponse([
            'revision' => $dataset->revision,
            'readings' => array_map(static fn(array $one): array => ['variable' => $one['variable']->key, 'name' => $one['variable']->name, ...SaidResource::of($one['reading'])], $said),
        ]);
    }
}
