<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\CompareRequest;
use App\Http\Resources\ComparedResource;
use App\Models\Dataset;
use App\Store\CompareVariables;
use App\Store\UnknownVariable;

/** Things of a dataset against each other. */
final class CompareController
{
    public function show(Dataset $dataset, CompareRequest $request, CompareVariables $compare): ComparedResource
    {
        $asked = $request->compareQuestion($dataset) ?? throw UnknownVariable::comparesOne();

        return new ComparedResource(['dataset' => $dataset, 'asked' => $asked, 'sides' => $compare->sides($dataset, $asked)]);
    }
}
