<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\Tokens;
use App\Http\Requests\NewTokenRequest;
use App\Http\Requests\ProvenRequest;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

/** An account's tokens for scripts. */
final class TokenController
{
    public function index(#[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(Tokens::of($user));
    }

    public function store(NewTokenRequest $request, ProvenRequest $proven, #[CurrentUser] User $user): JsonResponse
    {
        $proven->prove($user);
        $token = Tokens::make($user, $request->name(), $request->scopes(), $request->days());

        return $token === null
            ? new JsonResponse(['message' => 'An account has at most ' . Tokens::MOST . ' tokens. Revoke one first.'], 422)
            : new JsonResponse(['token' => $token, 'tokens' => Tokens::of($user)], 201);
    }

    public function destroy(string $token, #[CurrentUser] User $user): JsonResponse
    {
        abort_unless(Tokens::revoke($user, (int) $token), 404);

        return $this->index($user);
    }
}
