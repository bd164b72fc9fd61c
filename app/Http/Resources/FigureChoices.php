<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\FigureSet;
use App\Models\User;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureSet as CoreSet;
use RowTally\Core\Figures\Statistic;

/** Which figures there are, in which sets, and which of them an account chose last. */
final class FigureChoices
{
    /** @return array<string, mixed> */
    public static function of(User $user): array
    {
        $families = [];
        foreach (Catalogue::families() as $name => $statistics) {
            $families[] = ['name' => $name, 'figures' => array_map(static fn(Statistic $statistic): array => [
                'key' => $statistic->key(),
                'label' => $statistic->label(),
                'symbol' => $statistic->symbol(SampleOrPopulation::Sample),
            ], $statistics)];
        }

        return [
            'families' => $families,
            'sets' => array_map(static fn(CoreSet $set): array => ['key' => $set->value, 'name' => $set->words(), 'figures' => $set->keys()], CoreSet::cases()),
            'own' => $user->figureSets()->get()->map(static fn(FigureSet $set): array => ['id' => $set->id, 'name' => $set->name, 'figures' => $set->figures])->values(),
            'chosen' => $user->chosen_figures ?? CoreSet::Essentials->keys(),
        ];
    }
}
