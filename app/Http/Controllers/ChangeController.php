<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Middleware\OnlyOnce;
use App\Http\Requests\ChangeRequest;
use App\Http\Resources\ChangeResource;
use App\Http\Resources\HistoryResource;
use App\Http\Resources\LongChangeResource;
use App\Models\Dataset;
use App\Models\LongChange;
use App\Models\User;
use App\Store\Changes\ChangeDataset;
use App\Store\Changes\ChangeOfWords;
use App\Store\Changes\History;
use App\Store\Changes\LongChanges;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

/** The changes of a dataset: all of them in words, and one more. */
final class ChangeController
{
    public function index(Dataset $dataset): HistoryResource
    {
        return new HistoryResource(['dataset' => $dataset, 'history' => History::of($dataset->load('allVariables'))]);
    }

    /** Made at once, or handed to a worker where it takes long. */
    public function store(Dataset $dataset, ChangeRequest $request, ChangeDataset $changeDataset, LongChanges $longChanges, ChangeOfWords $changeOfWords, #[CurrentUser] User $user): JsonResponse
    {
        $change = $changeOfWords->of($dataset, $request->words());
        $long = $longChanges->begin($dataset, $request->revision(), $user, $change, $request->words());

        if ($long === null) {
            return (new ChangeResource($changeDataset->make($dataset, $request->revision(), $user, $change)))->toResponse($request);
        }
        request()->attributes->set(OnlyOnce::NOT_THE_LAST_WORD, true);

        return self::told($dataset, $long)->setStatusCode(202);
    }

    public function underWay(Dataset $dataset, LongChange $longChange, LongChanges $longChanges): JsonResponse
    {
        abort_if($longChange->dataset_id !== $dataset->id, 404);

        return self::told($dataset, $longChanges->look($longChange));
    }

    public function stop(Dataset $dataset, LongChange $longChange, LongChanges $longChanges): JsonResponse
    {
        abort_if($longChange->dataset_id !== $dataset->id, 404);

        return self::told($dataset, $longChanges->stop($longChange));
    }

    private static function told(Dataset $dataset, LongChange $long): JsonResponse
    {
        $revision = $long->made === null ? null : $dataset->revisions()->firstWhere('number', $long->made);

        return (new LongChangeResource(['long' => $long, 'revision' => $revision]))->toResponse(request());
    }
}
