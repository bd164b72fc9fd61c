<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ChangeRequest;
use App\Http\Resources\ChangeResource;
use App\Http\Resources\HistoryResource;
use App\Models\Dataset;
use App\Models\User;
use App\Store\Changes\ChangeDataset;
use App\Store\Changes\FollowInputs;
use App\Store\Changes\History;
use App\Store\Tallies;
use Illuminate\Container\Attributes\CurrentUser;

/** The changes of a dataset: all of them in words, and one more. */
final class ChangeController
{
    public function index(Dataset $dataset): HistoryResource
    {
        return new HistoryResource(['dataset' => $dataset, 'history' => History::of($dataset->load('allVariables'))]);
    }

    public function store(Dataset $dataset, ChangeRequest $request, ChangeDataset $changeDataset, Tallies $tallies, FollowInputs $followInputs, #[CurrentUser] User $user): ChangeResource
    {
        return new ChangeResource($changeDataset->make($dataset, $request->revision(), $user, $request->change($dataset, $tallies, $followInputs)));
    }
}
