<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Plots\AlignedStack;
use RowTally\Core\Plots\Axis;
use RowTally\Core\Plots\BoxPlot;
use RowTally\Core\Plots\Histogram;

/** @property AlignedStack $resource */
final class StackResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $stack = $this->resource;
        $closed = $stack->histograms[0]->closed;
        $count = static fn(int $count): int|float => $stack->countDecimals === 0 ? $count : $count / 10 ** $stack->countDecimals;

        return [
            'axis' => ['from' => $stack->axis->from, 'to' => $stack->axis->to, 'ticks' => $stack->axis->ticks],
            'classes' => [
                'edges' => $stack->classes->edges(),
                'width' => Axis::roundText($stack->classes->width),
                'closed' => $closed->value,
                'rule' => $closed->words(),
            ],
            'highest' => ['overall' => $count($stack->highestOverall), 'in_groups' => $count($stack->highestInGroups)],
            'lanes' => array_map(static fn(Histogram $histogram, ?BoxPlot $box): array => [
                'counts' => array_map($count, $histogram->counts),
                'box' => $box === null ? null : self::box($box),
            ], $stack->histograms, $stack->boxes),
        ];
    }

    /** @return array<string, mixed> */
    private static function box(BoxPlot $box): array
    {
        return [
            'q1' => $box->q1,
            'median' => $box->median,
            'q3' => $box->q3,
            'whisker_low' => $box->whiskerLow,
            'whisker_high' => $box->whiskerHigh,
            'mean' => $box->mean,
            'outliers' => [
                'total' => $box->outliers->total,
                'cut' => $box->outliers->cut,
                'marks' => array_map(static fn(array $mark): array => [
                    'value' => (float) (string) $mark['value'],
                    'text' => DecimalText::plain($mark['value']),
                    'count' => $mark['count'],
                    'far' => $mark['far'],
                ], $box->outliers->marks),
            ],
        ];
    }
}
