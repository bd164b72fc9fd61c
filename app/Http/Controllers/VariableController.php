<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\FormulaRequest;
use App\Http\Requests\RetypeRequest;
use App\Models\Dataset;
use App\Store\Changes\DraftRevision;
use App\Store\Changes\RetypeVariable;
use App\Store\ColumnEnds;
use App\Store\TryFormula;
use App\Store\UnknownVariable;
use Illuminate\Http\JsonResponse;
use RowTally\Core\Parsing\NearLabels;
use RowTally\Core\Parsing\VariableType;

/** What can be said of one variable before it is changed. */
final class VariableController
{
    /** Smallest and largest value of every number variable. */
    public function ends(Dataset $dataset): JsonResponse
    {
        return new JsonResponse((object) $dataset->variables->mapWithKeys(static fn($variable): array => [$variable->key => ColumnEnds::of($variable, $dataset->revision)])->all());
    }

    public function tryFormula(Dataset $dataset, FormulaRequest $request, TryFormula $tryFormula): JsonResponse
    {
        return new JsonResponse($tryFormula->on($dataset, $request->formula()));
    }

    public function tryType(Dataset $dataset, string $variable, RetypeRequest $request): JsonResponse
    {
        return new JsonResponse((new RetypeVariable($variable, $request->type()))->preview(new DraftRevision($dataset, $dataset->revision)));
    }

    public function labels(Dataset $dataset, string $variable): JsonResponse
    {
        $found = $dataset->variables->firstWhere('key', $variable) ?? throw UnknownVariable::named($variable);

        return new JsonResponse([
            'labels' => array_map(static fn(string $label, int $count): array => ['label' => $label, 'count' => $count], $found->dictionary, array_pad($found->label_counts, count($found->dictionary), 0)),
            'near' => $found->type === VariableType::Category ? NearLabels::of($found->dictionary, $found->label_counts) : [],
        ]);
    }
}
