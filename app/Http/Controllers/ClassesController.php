<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ClassesRequest;
use App\Http\Resources\ClassesResource;
use App\Models\Dataset;
use App\Store\GroupedVariable;

final class ClassesController
{
    public function show(Dataset $dataset, ClassesRequest $request, GroupedVariable $grouped): ClassesResource
    {
        $question = $request->question($dataset);

        return new ClassesResource($grouped->profile($dataset, $question, $request->classReading(), $request->countColumns()), $question, $request->countNames($dataset));
    }
}
