<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\Conventions;
use Illuminate\Http\JsonResponse;

/** What can be said in a question and drawn of an answer, in the core's own words. */
final class ConventionController
{
    public function index(): JsonResponse
    {
        return new JsonResponse(Conventions::all());
    }
}
