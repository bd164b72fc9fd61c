<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use RowTally\Core\Basis\TakenAs;

/**
 * How far each distinct value lies from the mean, as doubles, for figures that have no exact ratio: shape, normality, z-scores.
 *
 * Definition  (x − x̄) / u with a unit u of its own: 10^−decimals, or for doubles the power of two near the largest deviation.
 * Unit        none: only ratios of deviations leave this class.
 * Accuracy    each deviation within 2 units in the last place: the mean is taken off exactly before anything is rounded.
 * Cost        one pass over the distinct values, in slices.
 */
final readonly class Deviations
{
    private function __construct(
        private OrderedValues $values,
        /** for decimals: the whole unscaled number next to the mean; for doubles: 0 */
        private int $origin,
        /** what is left of the mean after the origin (decimals), or its upper and lower half in the unit (doubles) */
        private float $high,
        private float $low,
        private float $perUnit,
        private BigRational $squares,
        private Observations $observations,
    ) {}

    /** Only for n of 1 or more. */
    public static function of(Observations $observations): self
    {
        $values = $observations->values;
        $mean = $observations->mean();
        $decimals = $values->decimals();
        $squares = $observations->squaredDeviations();
        if ($decimals !== null) {
            $unit = BigRational::of(10)->power($decimals);
            $unscaled = $mean->multipliedBy($unit);
            $origin = $unscaled->toScale(0, RoundingMode::HALF_EVEN)->toInt();

            return new self($values, $origin, Exact::toFloat($unscaled->minus($origin)) ?? 0.0, 0.0, 1.0, $squares->multipliedBy($unit)->multipliedBy($unit), $observations);
        }
        $low = $mean->minus($values->at(1));
        $high = BigRational::of($values->at($values->n()))->minus($mean);
        $largest = Exact::toFloat($low->isGreaterThan($high) ? $low : $high) ?? PHP_FLOAT_MAX;
        $exponent = $largest === 0.0 ? 0 : max(-1022, (int) floor(log($largest, 2)));
        $unit = $exponent >= 0 ? BigRational::of(2)->power($exponent) : BigRational::nd(1, BigRational::of(2)->power(-$exponent)->toBigInteger());
        $perUnit = 2.0 ** -$exponent;
        $inUnits = $mean->dividedBy($unit);
        $upper = Exact::toFloat($inUnits) ?? 0.0;
        $lower = Exact::toFloat($inUnits->minus(BigRational::of(Exact::shortestText($upper)))) ?? 0.0;

        return new self($values, 0, $upper, $lower, $perUnit, $squares->dividedBy($unit)->dividedBy($unit), $observations);
    }

    /**
     * Ascending.
     *
     * @return iterable<array{list<float>, list<int>}> deviations of distinct values, and how often each occurs
     */
    public function slices(): iterable
    {
        foreach ($this->values->slices() as [$values, $counts]) {
            $deviations = [];
            if ($this->values->decimals() !== null) {
                foreach ($values as $value) {
                    $deviations[] = (float) ($value - $this->origin) - $this->high;
                }
            } else {
                foreach ($values as $value) {
                    $deviations[] = ($value * $this->perUnit - $this->high) - $this->low;
                }
            }
            yield [$deviations, $counts];
        }
    }

    /** √(Σ f·d² / divisor) in the unit of the deviations. */
    public function spread(TakenAs $takenAs): float
    {
        return Exact::squareRoot($this->squares->dividedBy($this->observations->divisor($takenAs))) ?? 0.0;
    }
}
