<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\FigureRequest;
use App\Http\Requests\ProfileRequest;
use App\Http\Resources\MatchResource;
use App\Http\Resources\OverviewResource;
use App\Http\Resources\ProfileResource;
use App\Http\Resources\StandingResource;
use App\Http\Resources\WorkingResource;
use App\Models\Dataset;
use App\Store\CompareStated;
use App\Store\ProfileVariables;
use Illuminate\Http\JsonResponse;
use RowTally\Core\Match\Stated;

final class ProfileController
{
    public function show(Dataset $dataset, ProfileRequest $request, ProfileVariables $profile): ProfileResource
    {
        return new ProfileResource($profile->answer($dataset, $request->question($dataset)));
    }

    public function overview(Dataset $dataset, ProfileRequest $request, ProfileVariables $profile): OverviewResource
    {
        return new OverviewResource($profile->overview($dataset, $request->question($dataset)));
    }

    public function working(Dataset $dataset, FigureRequest $request, ProfileVariables $profile): WorkingResource
    {
        $statistic = $request->statistic();

        return new WorkingResource($profile->working($dataset, $request->question($dataset), $statistic, $request->column()), $statistic, $request->question($dataset));
    }

    public function matches(Dataset $dataset, FigureRequest $request, ProfileVariables $profile): MatchResource
    {
        return new MatchResource($profile->matches($dataset, $request->question($dataset), $request->stated(), $request->column()));
    }

    public function comparison(Dataset $dataset, FigureRequest $request, CompareStated $compare): JsonResponse
    {
        $answer = $compare->answer($dataset, $request->question($dataset), $request->statistic(), Stated::of($request->stated()), $request->tolerance(), $request->classReading(), $request->countColumns(), $request->column());

        return new JsonResponse(['sentence' => $answer['sentence'], 'is_within' => $answer['comparison']?->isWithin]);
    }

    public function standing(Dataset $dataset, FigureRequest $request, ProfileVariables $profile): StandingResource
    {
        return new StandingResource($profile->standing($dataset, $request->question($dataset), $request->value(), $request->column()));
    }
}
