<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\ShareDatasets;
use App\Accounts\Teams;
use App\Http\Requests\ShareRequest;
use App\Http\Resources\ShareResource;
use App\Models\Dataset;
use App\Models\Share;
use App\Models\Team;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Teams of the account that is signed in, and what is theirs. */
final class TeamController
{
    public function index(#[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(array_map(static fn(Team $team): array => [
            'id' => $team->id,
            'name' => $team->name,
            'role' => $team->shares->firstWhere('user_id', $user->id)->role ?? Share::READER,
            'datasets' => Dataset::query()->where('team_id', $team->id)->where('revision', '>', 0)->count(),
            'shares' => array_values($team->shares->sortBy('id')->map(static fn(Share $share): array => [...ShareResource::told($share), 'is_own' => $share->user_id === $user->id])->all()),
        ], Teams::of($user)));
    }

    public function store(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        Teams::make($user, self::name($request));

        return $this->index($user)->setStatusCode(201);
    }

    public function update(Team $team, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $team->update(['name' => self::name($request)]);

        return $this->index($user);
    }

    public function destroy(Team $team): Response
    {
        Teams::delete($team);

        return new Response(status: 204);
    }

    public function offer(Team $team, ShareRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(ShareResource::told(ShareDatasets::offer($team, $user, $request->email(), $request->role())->load('user')), 201);
    }

    public function give(Dataset $dataset, Request $request, #[CurrentUser] User $user): Response
    {
        $request->validate(['team' => ['present', 'nullable', 'integer']], ['team' => 'Say which team; null takes it back.']);
        $team = $request->input('team') === null ? null : Team::query()->find($request->integer('team')) ?? abort(404);
        abort_if($team !== null && $team->role($user) === null, 404);
        Teams::give($dataset, $user, $team);

        return new Response(status: 204);
    }

    private static function name(Request $request): string
    {
        $request->validate(['name' => ['required', 'string', 'max:100', 'not_regex:/^\s*$/']], ['name' => 'A name has 1 to 100 characters.']);

        return trim($request->string('name')->toString());
    }
}
