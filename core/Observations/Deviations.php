<?php

declare(strict_types=1);

namespace RowTally\Core\Observations;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Values\CompensatedSum;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\PowerSums;

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
        // The largest deviation may be beyond the doubles though no value is; the sums of equal values leave none at all.
        $largest = min(PHP_FLOAT_MAX, Exact::near($low->isGreaterThan($high) ? $low : $high));
        $exponent = $largest === 0.0 ? 0 : max(-1022, (int) floor(log($largest, 2)));
        $unit = $exponent >= 0 ? BigRational::of(2)->power($exponent) : BigRational::nd(1, BigRational::of(2)->power(-$exponent)->toBigInteger());
        $perUnit = 2.0 ** -$exponent;
        $inUnits = $mean->dividedBy($unit);
        $upper = Exact::toFloat($inUnits) ?? 0.0;
        // What the double leaves of the mean, from the double itself: its shortest text may be half a last place off.
        $lower = Exact::toFloat($inUnits->minus(PowerSums::ofDoubles([$upper], null)->sum())) ?? 0.0;

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
            yield [$this->from($values), $counts];
        }
    }

    /**
     * The third and the fourth standardised central moment, Σ f·t³/n and Σ f·t⁴/n with t = (x − x̄)/σ; only where not all values are equal.
     *
     * @return array{float, float}
     */
    public function higherMoments(): array
    {
        $perSpread = 1.0 / $this->spread(SampleOrPopulation::Population);
        $third = new CompensatedSum();
        $fourth = new CompensatedSum();
        // A slice is short enough for plain sums; what they round away is little beside what many slices would.
        foreach ($this->values->unorderedSlices() as [$values, $counts]) {
            [$cubes, $squares] = $counts === null ? $this->powers($values, $perSpread) : $this->countedPowers(array_values($values), $counts, $perSpread);
            $third->add($cubes);
            $fourth->add($squares);
        }
        // Counts that are not whole were summed in their own unit, in which n is whole; the standard deviation is the same in both.
        $n = (float) $this->observations->n();

        return [$third->value() / $n, $fourth->value() / $n];
    }

    /**
     * @param array<int, int>|array<int, float> $values
     *
     * @return array{float, float}
     */
    private function powers(array $values, float $perSpread): array
    {
        $third = $fourth = 0.0;
        [$origin, $high, $low, $perUnit] = [$this->origin, $this->high, $this->low, $this->perUnit];
        $areWhole = $this->values->decimals() !== null;
        foreach ($values as $value) {
            $t = ($areWhole ? ($value - $origin) - $high : ($value * $perUnit - $high) - $low) * $perSpread;
            $square = $t * $t;
            $third += $square * $t;
            $fourth += $square * $square;
        }

        return [$third, $fourth];
    }

    /**
     * @param list<int>|list<float> $values
     * @param list<int>             $counts
     *
     * @return array{float, float}
     */
    private function countedPowers(array $values, array $counts, float $perSpread): array
    {
        $third = $fourth = 0.0;
        foreach ($this->from($values) as $i => $deviation) {
            $t = $deviation * $perSpread;
            $square = $t * $t;
            $third += $counts[$i] * $square * $t;
            $fourth += $counts[$i] * $square * $square;
        }

        return [$third, $fourth];
    }

    /**
     * @param list<int>|list<float> $values
     *
     * @return list<float>
     */
    private function from(array $values): array
    {
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

        return $deviations;
    }

    /** √(Σ f·d² / divisor) in the unit of the deviations. */
    public function spread(SampleOrPopulation $takenAs): float
    {
        return Exact::squareRoot($this->squares->dividedBy($this->observations->divisor($takenAs))) ?? 0.0;
    }
}
