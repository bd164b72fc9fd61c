<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\Presence;
use App\Accounts\ShareDatasets;
use App\Http\Requests\RoleRequest;
use App\Http\Requests\ShareRequest;
use App\Http\Resources\ShareResource;
use App\Models\Dataset;
use App\Models\Report;
use App\Models\Share;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Who has a part in a dataset or a report, what is offered to whom, and who is there. */
final class ShareController
{
    public function index(Dataset $dataset): JsonResponse
    {
        return new JsonResponse([
            'owner' => $dataset->ownerName(),
            'team' => $dataset->team_id,
            'shares' => self::told('dataset_id', $dataset->id),
        ]);
    }

    public function indexOfReport(Report $report): JsonResponse
    {
        return new JsonResponse(['owner' => $report->dataset->ownerName(), 'team' => $report->dataset->team_id, 'shares' => self::told('report_id', $report->id)]);
    }

    public function store(Dataset $dataset, ShareRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(ShareResource::told(ShareDatasets::offer($dataset, $user, $request->email(), $request->role())->load('user')), 201);
    }

    public function storeOfReport(Report $report, ShareRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(ShareResource::told(ShareDatasets::offer($report, $user, $request->email(), $request->role())->load('user')), 201);
    }

    public function update(Share $share, RoleRequest $request): JsonResponse
    {
        ShareDatasets::change($share, $request->role());

        return new JsonResponse(ShareResource::told($share->load('user')));
    }

    /** Ended by whoever owns the dataset, or left by whoever has the part. */
    public function destroy(Share $share): Response
    {
        ShareDatasets::end($share);

        return new Response(status: 204);
    }

    public function handOver(Dataset $dataset, Request $request, #[CurrentUser] User $user): Response
    {
        $request->validate(['share' => ['required', 'integer']], ['share' => 'Say to whom.']);
        ShareDatasets::handOver($dataset, $user, Share::query()->findOrFail($request->integer('share')));

        return new Response(status: 204);
    }

    /** What is offered to the account that is signed in. */
    public function offered(#[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(array_map(static function (Share $share): array {
            $by = User::query()->whereKey($share->invited_by)->first();
            [$of, $title] = match (true) {
                $share->team !== null => ['team', $share->team->name],
                $share->report !== null => ['report', $share->report->title],
                default => ['dataset', $share->dataset->title ?? ''],
            };

            return ['id' => $share->id, 'of' => $of, 'title' => $title, 'role' => $share->role, 'by' => $by->name ?? '', 'from' => $by->email ?? ''];
        }, ShareDatasets::offeredTo($user)));
    }

    public function take(Share $share, #[CurrentUser] User $user): JsonResponse
    {
        return ShareDatasets::take($share, $user)
            ? new JsonResponse(['dataset' => $share->dataset_id, 'report' => $share->report_id, 'team' => $share->team_id])
            : new JsonResponse(['message' => 'This was offered to another address, was taken already, or is offered no more. Ask whoever offered it.'], 422);
    }

    /** Where somebody is, who else is there, and which revision there is by now. */
    public function here(Dataset $dataset, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $place = $request->input('place');

        return new JsonResponse([
            'revision' => $dataset->revision,
            'others' => Presence::others($dataset, $user, is_string($place) && in_array($place, ['rows', 'profile', 'compare', 'report'], true) ? $place : 'profile'),
        ]);
    }

    /** @return list<array<string, mixed>> the parts in one thing, in the order in which they were offered */
    private static function told(string $column, int $id): array
    {
        return array_map(ShareResource::told(...), array_values(Share::query()->with('user')->where($column, '=', $id)->get()->sortBy('id')->all()));
    }
}
