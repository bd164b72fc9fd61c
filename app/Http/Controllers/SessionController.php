<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\Register;
use App\Http\Requests\SignInRequest;
use App\Http\Resources\AccountResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/** Signing in and out. */
final class SessionController
{
    public function show(Request $request): JsonResponse
    {
        return new JsonResponse(['account' => $request->user() === null ? null : new AccountResource($request->user()), 'can_register' => Register::isOpen()]);
    }

    public function store(SignInRequest $request): JsonResponse
    {
        $request->signIn();

        return new JsonResponse(['account' => new AccountResource($request->user()), 'can_register' => Register::isOpen()]);
    }

    public function destroy(Request $request): JsonResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new JsonResponse(['account' => null, 'can_register' => Register::isOpen()]);
    }
}
