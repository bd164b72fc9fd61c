<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Drawing\Faces;
use App\Http\DrawPicture;
use App\Http\DrawScenes;
use App\Http\Requests\PictureRequest;
use App\Http\Requests\PlotRequest;
use App\Http\Requests\SceneRequest;
use App\Http\Resources\PlotShapes;
use App\Http\Resources\StackResource;
use App\Models\Dataset;
use App\Store\DrawVariable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Frequency\Percent;
use RowTally\Core\Values\Exact;
use RowTally\Core\Working\Written;

/** The pictures of one variable: their geometry, or drawn. */
final class PlotController
{
    public function picture(Dataset $dataset, PictureRequest $request, DrawPicture $draw): Response
    {
        return new Response(Faces::into($draw->svg($dataset, $request)), headers: ['Content-Type' => 'image/svg+xml']);
    }

    /** Laid out, for the page to paint. */
    public function scenes(Dataset $dataset, string $kind, SceneRequest $request, DrawScenes $draw): JsonResponse
    {
        return new JsonResponse(['scenes' => array_map(
            static fn(array $one): array => ['name' => $one['name'], 'scene' => $one['scene']?->toArray(), 'why' => $one['why']],
            $draw->of($kind, $dataset, $request, $request->width()),
        )]);
    }

    public function bars(Dataset $dataset, PlotRequest $request, DrawVariable $draw): JsonResponse
    {
        $bars = $draw->bars($dataset, $request->question($dataset));

        return new JsonResponse(['bars' => $bars === null ? null : StackResource::bars($bars)]);
    }

    public function crosshair(Dataset $dataset, PlotRequest $request, DrawVariable $draw): JsonResponse
    {
        $crosshair = $draw->crosshair($dataset, $request->question($dataset));

        return new JsonResponse(['crosshair' => $crosshair === null ? null : ['values' => $crosshair->values, 'percentiles' => $crosshair->percentiles, 'z' => $crosshair->z]]);
    }

    public function stems(Dataset $dataset, PlotRequest $request, DrawVariable $draw): JsonResponse
    {
        $question = $request->question($dataset);

        return new JsonResponse([
            ...PlotShapes::stems($draw->stems($dataset, $question, $request->unit(), $request->lines(), $request->apart())),
            'units' => PlotShapes::leafUnits($draw->leafUnits($dataset, $question)),
        ]);
    }

    public function range(Dataset $dataset, PlotRequest $request, DrawVariable $draw): JsonResponse
    {
        $question = $request->question($dataset);
        $found = $draw->range($dataset, $question, $request->from(), $request->to(), $request->column());
        $decimals = $question->basis->decimals->decimals($found['variable']->shown_decimals ?? $found['variable']->decimals);
        $mean = $found['mean'] === null ? null : Exact::toFloat($found['mean']);

        return new JsonResponse([
            'count' => Written::count($found['count'], $found['countDecimals']),
            'percent' => $found['n'] === 0 ? null : Percent::text($found['count'], $found['n']),
            'mean' => $mean === null ? null : DecimalText::of($mean, $decimals),
        ]);
    }
}
