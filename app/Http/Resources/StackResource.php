<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Illuminate\Http\Request;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Plots\AlignedStack;
use RowTally\Core\Plots\Axis;
use RowTally\Core\Plots\Bars;
use RowTally\Core\Plots\BoxPlot;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Plots\RoundNumbers;
use RowTally\Core\Values\Exact;

/** @property AlignedStack $resource */
final class StackResource extends PlainResource
{
    private const LEVELS = 3;
    private const SHORT_DECIMALS = 4;

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $stack = $this->resource;
        $bars = self::bars($stack->bars);

        return [
            'axis' => self::axis($stack->bars->axis),
            ...$bars,
            'lanes' => array_map(static fn(array $lane, ?BoxPlot $box): array => [...$lane, 'box' => $box === null ? null : self::box($box)], $bars['lanes'], $stack->boxes),
            'markers' => $stack->markers,
            'dots' => [
                'at' => $stack->dots->at,
                'dots' => $stack->dots->lanes[0]['dots'] ?? [],
                'per_dot' => intdiv($stack->dots->perDot, 10 ** $stack->bars->countDecimals),
                'bin_width' => $stack->dots->binWidth === null ? null : Axis::roundText($stack->dots->binWidth),
            ],
        ];
    }

    /** @return array{classes: array<string, mixed>, scale: string, lanes: list<array<string, mixed>>} */
    public static function bars(Bars $bars): array
    {
        $closed = $bars->histograms[0]->closed;
        $count = static fn(int $count): int|float => $bars->countDecimals === 0 ? $count : $count / 10 ** $bars->countDecimals;

        return [
            'classes' => [
                'edges' => $bars->classes->edges(),
                'ticks' => $bars->ticks(),
                'step' => $bars->step === null ? null : Exact::clamped($bars->step),
                'narrower' => $bars->narrower,
                'wider' => $bars->wider,
                'mixed' => $bars->possible === null ? null : "Some classes hold {$bars->possible[0]} and others {$bars->possible[1]} of the values that are possible here, so bars may differ for that alone.",
                'labels' => $bars->classes->labels($closed),
                'width' => $bars->classes->areEqual() ? Axis::roundText($bars->classes->width) : null,
                'closed' => $closed->value,
                'rule' => $closed->words(),
                'outside' => ['below' => $count($bars->histograms[0]->below), 'above' => $count($bars->histograms[0]->above)],
            ],
            'scale' => $bars->scale->value,
            'lanes' => array_map(static fn(int $i, Histogram $histogram): array => [
                'counts' => array_map($count, $histogram->counts),
                'heights' => $bars->heights[$i],
                'highest' => $bars->highest[$i],
                'levels' => self::levels($bars->highest[$i]),
                'curve' => $bars->curves[$i] ?? [],
            ], array_keys($bars->histograms), $bars->histograms),
        ];
    }

    /** @return array<string, mixed> */
    public static function axis(Axis $axis): array
    {
        return ['from' => $axis->from, 'to' => $axis->to, 'ticks' => $axis->ticks];
    }

    /** @return list<array{at: float, text: string}> two or three round heights */
    private static function levels(float $highest): array
    {
        if ($highest <= 0.0) {
            return [];
        }
        $step = RoundNumbers::stepAtLeast(BigRational::of(Exact::shortestText($highest / self::LEVELS)));
        $levels = [];
        for ($at = $step; (float) (string) $at <= $highest; $at = $at->plus($step)) {
            $levels[] = ['at' => (float) (string) $at, 'text' => Axis::roundText($at)];
        }

        return $levels;
    }

    /** As many decimals as it has, four at most: for words about a picture, the figures are in the table. */
    private static function short(float $number): string
    {
        return Axis::roundText(BigDecimal::of(Exact::shortestText($number))->toScale(self::SHORT_DECIMALS, RoundingMode::HALF_UP));
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
            'n' => $box->n,
            'notch' => ['low' => $box->notchLow, 'high' => $box->notchHigh],
            'five' => array_map(static fn(float $number): array => ['at' => $number, 'text' => self::short($number)], [$box->min, $box->q1, $box->median, $box->q3, $box->max]),
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
