<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Middleware\TellsHowFar;
use App\Models\User;
use App\Store\Underway;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

final class UnderwayController
{
    public function show(#[CurrentUser] User $user, string $underway): JsonResponse
    {
        $told = Underway::of(TellsHowFar::ofUser($user, $underway));

        return new JsonResponse(['what' => $told['what'] ?? null, 'share' => $told === null ? null : $told['done'] / max(1, $told['of'])]);
    }

    public function stop(#[CurrentUser] User $user, string $underway): Response
    {
        Underway::stop(TellsHowFar::ofUser($user, $underway));

        return new Response(status: 204);
    }
}
