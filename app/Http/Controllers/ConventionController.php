<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Http\JsonResponse;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\MissingRows;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\TakenAs;

/** What the basis line offers, in the core's own words. */
final class ConventionController
{
    public function index(): JsonResponse
    {
        $choice = static fn(TakenAs|QuartileRule|MissingRows|ClassEdge $choice): array => [
            'value' => $choice->value,
            'words' => $choice->words(),
            'sentence' => $choice->sentence(),
        ];

        return new JsonResponse([
            'as' => array_map($choice, TakenAs::cases()),
            'quartiles' => array_map($choice, QuartileRule::cases()),
            'missing' => array_map($choice, MissingRows::cases()),
            'edges' => array_map($choice, ClassEdge::cases()),
        ]);
    }
}
