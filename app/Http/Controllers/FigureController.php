<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\FiguresRequest;
use App\Http\Resources\FigureChoices;
use App\Models\FigureSet;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

/** Which figures there are, in which sets, and which of them an account likes to see. */
final class FigureController
{
    public function index(#[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(FigureChoices::of($user));
    }

    public function choose(FiguresRequest $request, #[CurrentUser] User $user): Response
    {
        $user->update(['chosen_figures' => $request->figures()]);

        return new Response(status: 204);
    }

    public function store(FiguresRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        $set = $user->figureSets()->updateOrCreate(['name' => trim($request->string('name')->toString())], ['figures' => $request->figures()]);

        return new JsonResponse(['id' => $set->id, 'name' => $set->name, 'figures' => $set->figures], 201);
    }

    public function destroy(FigureSet $figureSet): Response
    {
        $figureSet->delete();

        return new Response(status: 204);
    }
}
