<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\DescribeDatasetRequest;
use App\Http\Resources\DatasetResource;
use App\Http\Resources\DatasetSummaryResource;
use App\Models\Dataset;
use App\Models\Report;
use App\Models\Share;
use App\Models\User;
use App\Report\Editions\EditionFiles;
use App\Store\DeleteDataset;
use App\Store\StartBlank;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;

final class DatasetController
{
    public function index(#[CurrentUser] User $user): AnonymousResourceCollection
    {
        return DatasetSummaryResource::collection(
            Dataset::query()->withCount('variables')->with(['user', 'team.shares' => static fn($shares) => $shares->where('user_id', $user->id), 'shares' => static fn($shares) => $shares->where('user_id', $user->id)])->where('revision', '>', 0)
                ->where(static fn($query) => $query->where(static fn($own) => $own->where('user_id', $user->id)->whereNull('team_id'))
                    ->orWhereIn('id', Share::query()->select('dataset_id')->where('user_id', $user->id)->whereNotNull('dataset_id'))
                    ->orWhereIn('team_id', Share::query()->select('team_id')->where('user_id', $user->id)->whereNotNull('team_id')))
                ->latest('updated_at')->latest('id')->get(),
        );
    }

    public function show(Dataset $dataset): DatasetResource
    {
        return new DatasetResource($dataset->load('variables'));
    }

    /** A dataset without rows, to be typed into. */
    public function store(DescribeDatasetRequest $request, StartBlank $startBlank, #[CurrentUser] User $user): JsonResponse
    {
        return (new DatasetResource($startBlank->start($user, $request->title() ?? 'Typed in')->load('variables')))->response()->setStatusCode(201);
    }

    public function update(Dataset $dataset, DescribeDatasetRequest $request): DatasetResource
    {
        $dataset->update($request->fields());

        return new DatasetResource($dataset->load('variables'));
    }

    public function destroy(Dataset $dataset, DeleteDataset $deleteDataset): Response
    {
        EditionFiles::deleteOf(...array_map(static fn(Report $report): int => $report->id, array_values($dataset->reports()->get(['id'])->all())));
        $deleteDataset->delete($dataset);

        return response()->noContent();
    }
}
