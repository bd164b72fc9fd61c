<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Drawing\DrawnScene;
use App\Drawing\Faces;
use App\Drawing\Svg;
use App\Http\Requests\PlotRequest;
use App\Http\Requests\SceneRequest;
use App\Models\Dataset;
use App\Store\DrawScenes;
use App\Store\ReadAxis;
use Brick\Math\BigDecimal;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Display\Percent;
use RowTally\Core\Formula\Condition;
use RowTally\Core\Values\Exact;
use RowTally\Core\Working\Written;

/** The pictures of one variable: their geometry, or drawn. */
final class PlotController
{
    /** Laid out, for the page to paint; or as a file that stands by itself. */
    public function scenes(Dataset $dataset, string $kind, SceneRequest $request, DrawScenes $draw): Response|JsonResponse
    {
        if ($request->isFile()) {
            return new Response(Faces::into(Svg::of($draw->one($kind, $dataset, $request->asked($dataset), $request->column()), $request->palette(), $request->heading())), headers: ['Content-Type' => 'image/svg+xml']);
        }
        ['options' => $options, 'scenes' => $scenes] = $draw->of($kind, $dataset, $request->asked($dataset));

        return new JsonResponse(['options' => $options, 'scenes' => array_map(static fn(DrawnScene $drawn): array => $drawn->toArray(), $scenes)]);
    }

    public function crosshair(Dataset $dataset, PlotRequest $request, ReadAxis $read): JsonResponse
    {
        $crosshair = $read->crosshair($dataset, $request->question($dataset));

        return new JsonResponse(['crosshair' => $crosshair === null ? null : ['values' => $crosshair->values, 'says' => $crosshair->says]]);
    }

    public function range(Dataset $dataset, PlotRequest $request, ReadAxis $read): JsonResponse
    {
        $question = $request->question($dataset);
        $found = $read->range($dataset, $question, $request->from(), $request->to(), $request->column());
        $decimals = $question->basis->decimals->decimals($found['variable']->shown_decimals ?? $found['variable']->decimals);
        $mean = $found['mean'] === null ? null : Exact::toFloat($found['mean']);

        return new JsonResponse([
            'count' => Written::count($found['count'], $found['countDecimals']),
            'percent' => $found['n'] === 0 ? null : Percent::text($found['count'], $found['n']),
            'mean' => $mean === null ? null : DecimalText::of($mean, $decimals),
            'rows' => Condition::all($question->basis->where, Condition::from($found['variable']->name, BigDecimal::of($request->from()), BigDecimal::of($request->to()))),
        ]);
    }
}
