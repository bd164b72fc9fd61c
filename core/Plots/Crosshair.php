<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Display\Percent;
use RowTally\Core\Figures\PercentileRank;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\OrderedValues;

/**
 * What the crosshair says at each place of the axis of a stack, a pixel or two apart, so that the page need not ask while it moves.
 *
 * Definition  percentile rank and z-score as `PercentileRank`, at `PLACES` + 1 equal steps.
 * Undefined   no places without values.
 * Accuracy    exact at the places as they are shown; of very many values the percentile between two edges of classes lies on the straight line.
 * Cost        one search a place.
 */
final readonly class Crosshair
{
    private const PLACES = 300;
    /** Doubles hold every whole number below. */
    private const SAFE = 2 ** 53;

    /**
     * @param list<string> $values in decimals that tell one place from the next
     * @param list<string> $says   the value, the percent below with one decimal, z with two where there is a spread, and the count of its class
     */
    private function __construct(
        public array $values,
        public array $says,
    ) {}

    /** @return self|null null when there is no value to draw */
    public static function of(Observations $observations, Basis $basis, StackOptions $options = new StackOptions()): ?self
    {
        $bars = Bars::of($observations, [], $basis, $options);

        return $bars === null ? null : self::over($bars->axis, $bars->histograms[0], $observations, $basis);
    }

    private static function over(Axis $axis, Histogram $histogram, Observations $observations, Basis $basis): self
    {
        $n = $observations->n();
        $values = $says = [];
        $edges = $histogram->classes->edges();
        $class = -1;
        $decimals = (int) max(0, ceil(-log10(($axis->to - $axis->from) / self::PLACES)));
        $mean = Exact::toFloat($observations->mean()) ?? 0.0;
        $reference = PercentileRank::z($observations->mean()->plus(1), $observations, $basis)->number();
        $below = $observations->values instanceof BucketedValues ? self::alongClasses($histogram) : self::exactly($observations->values, $decimals);
        for ($i = 0; $i <= self::PLACES; ++$i) {
            $at = $axis->from + ($axis->to - $axis->from) * ($i / self::PLACES);
            $values[] = DecimalText::of($at, $decimals);
            $under = $below($at);
            $percentile = is_int($under) ? Percent::text($under, $n) : DecimalText::of(100.0 * $under / $n, 1);
            while (isset($edges[$class + 1]) && $at >= $edges[$class + 1]) {
                ++$class;
            }
            $says[] = "{$values[$i]}: {$percentile} % below"
                . ($reference === null ? '' : ', z ' . DecimalText::of(($at - $mean) * $reference, 2))
                . (isset($histogram->counts[$class]) ? ', ' . NumberMarks::count($histogram->counts[$class] / 10 ** $observations->countDecimals, $histogram->counts[$class] % 10 ** $observations->countDecimals === 0 ? 0 : $observations->countDecimals) . ' in this class' : '');
        }

        return new self($values, $says);
    }

    /**
     * How many values lie below a place: below what is shown of it where that is a whole number of the last decimal, which needs no big numbers.
     *
     * @return callable(float): int
     */
    private static function exactly(OrderedValues $values, int $decimals): callable
    {
        $own = $values->decimals();
        $finer = $own === null ? 0 : 10 ** max(0, $own - $decimals);
        $coarser = $own === null ? 1 : 10 ** max(0, $decimals - $own);

        return static function (float $at) use ($values, $decimals, $own, $finer, $coarser): int {
            $unscaled = round($at * 10 ** $decimals);
            if ($own === null || abs($unscaled) * $finer >= self::SAFE) {
                return $values->countBelow(BigRational::of(Exact::shortestText($at)));
            }
            $bound = (int) $unscaled * $finer;

            return $values->countBelowUnscaled(intdiv($bound, $coarser) + ($bound % $coarser > 0 ? 1 : 0));
        };
    }

    /** @return callable(float): float on the straight line from edge to edge, for places in ascending order */
    private static function alongClasses(Histogram $histogram): callable
    {
        $edges = $histogram->classes->edges();
        $class = -1;
        $below = (float) $histogram->below;

        return static function (float $at) use ($histogram, $edges, &$class, &$below): float {
            while (isset($edges[$class + 1]) && $at >= $edges[$class + 1]) {
                $below += $histogram->counts[$class] ?? 0;
                ++$class;
            }

            return $class < 0 || !isset($edges[$class + 1]) ? $below : $below + $histogram->counts[$class] * ($at - $edges[$class]) / ($edges[$class + 1] - $edges[$class]);
        };
    }
}
