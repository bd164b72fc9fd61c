<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\FiguresRequest;
use App\Models\FigureSet;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureSet as CoreSet;
use RowTally\Core\Figures\Statistic;

/** Which figures there are, in which sets, and which of them an account likes to see. */
final class FigureController
{
    public function index(#[CurrentUser] User $user): JsonResponse
    {
        $families = [];
        foreach (Catalogue::families() as $name => $statistics) {
            $families[] = ['name' => $name, 'figures' => array_map(static fn(Statistic $statistic): array => [
                'key' => $statistic->key(),
                'label' => $statistic->label(),
                'symbol' => $statistic->symbol(SampleOrPopulation::Sample),
            ], $statistics)];
        }

        return new JsonResponse([
            'families' => $families,
            'sets' => array_map(static fn(CoreSet $set): array => ['key' => $set->value, 'name' => $set->words(), 'figures' => $set->keys()], CoreSet::cases()),
            'own' => $user->figureSets()->get()->map(static fn(FigureSet $set): array => ['id' => $set->id, 'name' => $set->name, 'figures' => $set->figures])->values(),
            'chosen' => $user->chosen_figures ?? CoreSet::Essentials->keys(),
        ]);
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
