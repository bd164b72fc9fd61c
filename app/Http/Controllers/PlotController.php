<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlotRequest;
use App\Http\Resources\StackResource;
use App\Models\Dataset;
use App\Store\DrawVariable;
use Brick\Math\BigDecimal;
use Illuminate\Http\JsonResponse;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Frequency\Percent;
use RowTally\Core\Plots\Axis;
use RowTally\Core\Plots\NormalQq;
use RowTally\Core\Plots\OrderedStrip;
use RowTally\Core\Plots\StemLeaf;
use RowTally\Core\Values\Exact;
use RowTally\Core\Working\Written;

/** The pictures of one number variable beside its stack. */
final class PlotController
{
    public function dots(Dataset $dataset, PlotRequest $request, DrawVariable $draw): JsonResponse
    {
        $plot = $draw->dots($dataset, $request->question($dataset));

        return new JsonResponse([
            'axis' => $plot->axis === null ? null : StackResource::axis($plot->axis),
            'at' => $plot->at,
            'bin_width' => $plot->binWidth === null ? null : Axis::roundText($plot->binWidth),
            'per_dot' => $plot->perDot,
            'lanes' => $plot->lanes,
        ]);
    }

    public function bars(Dataset $dataset, PlotRequest $request, DrawVariable $draw): JsonResponse
    {
        $bars = $draw->bars($dataset, $request->question($dataset));

        return new JsonResponse(['bars' => $bars === null ? null : StackResource::bars($bars)]);
    }

    public function stems(Dataset $dataset, PlotRequest $request, DrawVariable $draw): JsonResponse
    {
        $displays = $draw->stems($dataset, $request->question($dataset), $request->unit(), $request->lines(), $request->apart());
        $overall = $displays[0];
        return new JsonResponse([
            'leaf_unit' => Exact::plainDecimal($overall->leafUnit),
            'lines_per_stem' => $overall->linesPerStem,
            'columns' => array_map(static fn(StemLeaf $display): array => [
                'lines' => array_map(static fn(array $line): array => ['stem' => $line['stem'], 'digits' => $line['digits'], 'leaves' => $line['leaves'], 'count' => $line['count'], 'depth' => $line['depth'], 'holds_median' => $line['holdsMedian']], $display->lines),
                'low' => self::ends($display->low),
                'high' => self::ends($display->high),
                'per_leaf' => $display->perLeaf,
            ], $displays),
        ]);
    }

    public function qq(Dataset $dataset, PlotRequest $request, DrawVariable $draw): JsonResponse
    {
        return new JsonResponse(['columns' => array_map(static fn(NormalQq $plot): array => [
            'n' => $plot->n,
            'points' => array_map(static fn(array $point): array => [$point['z'], $point['value']], $plot->points),
            'line' => $plot->line,
            'axes' => $plot->points === [] ? null : [
                'z' => StackResource::axis(Axis::covering(BigDecimal::of(Exact::shortestText($plot->points[0]['z'])), BigDecimal::of(Exact::shortestText($plot->points[count($plot->points) - 1]['z'])))),
                'value' => StackResource::axis(self::axisOf($plot->points[0]['value'], $plot->points[count($plot->points) - 1]['value'])),
            ],
        ], $draw->qq($dataset, $request->question($dataset)))]);
    }

    public function strips(Dataset $dataset, PlotRequest $request, DrawVariable $draw): JsonResponse
    {
        $strips = $draw->strips($dataset, $request->question($dataset));
        $points = $strips[0]->points;

        return new JsonResponse([
            'axis' => $points === [] ? null : StackResource::axis(self::axisOf($points[0]['value'], $points[count($points) - 1]['value'])),
            'columns' => array_map(static fn(OrderedStrip $strip): array => [
                'points' => array_map(static fn(array $point): array => [$point['share'], $point['value']], $strip->points),
                'cuts' => $strip->cuts,
            ], $strips),
        ]);
    }

    public function slopes(Dataset $dataset, PlotRequest $request, DrawVariable $draw): JsonResponse
    {
        ['before' => $before, 'after' => $after, 'slopes' => $slopes] = $draw->slopes($dataset, $request->question($dataset), $request->with());

        return new JsonResponse([
            'axis' => $slopes->axis === null ? null : StackResource::axis($slopes->axis),
            'before' => $before->name,
            'after' => $after->name,
            'lines' => $slopes->lines,
            'rising' => $slopes->rising,
            'falling' => $slopes->falling,
            'staying' => $slopes->staying,
            'incomplete' => $slopes->incomplete,
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

    /**
     * @param list<array{value: BigDecimal, count: int}> $entries
     *
     * @return list<array{text: string, count: int}>
     */
    private static function ends(array $entries): array
    {
        return array_map(static fn(array $entry): array => ['text' => DecimalText::plain($entry['value']), 'count' => $entry['count']], $entries);
    }

    private static function axisOf(float $from, float $to): Axis
    {
        [$low, $high] = [BigDecimal::of(Exact::shortestText($from)), BigDecimal::of(Exact::shortestText($to))];

        return $low->isEqualTo($high) ? Axis::covering($low->minus(1), $high->plus(1)) : Axis::covering($low, $high);
    }
}
