<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Quantiles\Quartiles;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\ValueCounts;

/**
 * A number over all rows, for functions that need more than their own row: z-scores by the sample's standard deviation, ranks, and
 * the fences of a basis. Decimals are compared as they stand.
 *
 * Cost  sorting once; each rank is a binary search.
 */
final readonly class Summary
{
    private function __construct(
        private OrderedValues $values,
        private BigRational $mean,
        /** null where it is 0, or there are fewer than two values */
        private ?float $standardDeviation,
        /** @var array{BigRational, BigRational, float, float}|null the fences, and the doubles next to them; null without values */
        private ?array $fences,
        /** of decimals: the whole number of units next to the mean, and what is left of the mean */
        private float $origin,
        private float $rest,
    ) {}

    /**
     * @param list<float|BigDecimal> $values   those that are not missing, in any order
     * @param int|null               $decimals that hold all of them
     */
    public static function ofNumbers(array $values, ?int $decimals, Basis $basis): self
    {
        $unscaled = $decimals === null ? null : self::unscaled($values, $decimals);

        return self::of($decimals === null || $unscaled === null
            ? ValueCounts::ofUnorderedDoubles(array_map(static fn(float|BigDecimal $value): float => Decimals::double($value) + 0.0, $values))
            : ValueCounts::ofUnorderedIntegers($unscaled, $decimals), $basis);
    }

    /**
     * @param list<float|BigDecimal> $values
     *
     * @return list<int>|null in units of the last decimal; null where machine integers do not hold them
     */
    private static function unscaled(array $values, int $decimals): ?array
    {
        $unscaled = [];
        foreach ($values as $value) {
            $quick = is_float($value) ? Decimals::unscaled($value, $decimals) : null;
            if ($quick !== null) {
                $unscaled[] = (int) $quick;
                continue;
            }
            $exact = Decimals::exact($value)->toScale($decimals, RoundingMode::HALF_UP)->getUnscaledValue();
            if ($exact->abs()->isGreaterThanOrEqualTo(10 ** Decimals::MOST)) {
                return null;
            }
            $unscaled[] = $exact->toInt();
        }

        return $unscaled;
    }

    /**
     * The numbers among the results of a part.
     *
     * @param array<int, float|BigDecimal|string|bool|null> $results
     *
     * @return list<float|BigDecimal>
     */
    public static function present(array $results): array
    {
        return array_values(array_filter($results, static fn(float|BigDecimal|string|bool|null $value): bool => is_float($value) || $value instanceof BigDecimal));
    }

    public static function of(OrderedValues $values, Basis $basis): self
    {
        $n = $values->n();
        if ($n === 0) {
            return new self($values, BigRational::zero(), null, null, 0.0, 0.0);
        }
        $sums = $values->powerSums();
        $mean = Exact::simplest($sums->sum()->dividedBy($n));
        $spread = $n < 2 ? 0.0 : Exact::squareRoot($sums->squaredDeviations()->dividedBy($n - 1)) ?? 0.0;
        $quartiles = Quartiles::of($values, $basis->quartileRule);
        [$low, $high] = [$quartiles->lowerFence($basis->innerFence), $quartiles->upperFence($basis->innerFence)];
        $units = $mean->multipliedBy(10 ** ($values->decimals() ?? 0));
        $origin = $units->toScale(0, RoundingMode::HALF_EVEN);

        return new self(
            $values,
            $mean,
            $spread === 0.0 ? null : $spread,
            [$low, $high, Exact::toFloat($low) ?? -INF, Exact::toFloat($high) ?? INF],
            (float) (string) $origin,
            Exact::toFloat($units->minus($origin)) ?? 0.0,
        );
    }

    /** The mean of the ranks that values equal to this one take, from 1. */
    public function rank(float|BigDecimal $value): float
    {
        $exact = Decimals::exact($value)->toBigRational();

        return ($this->values->countBelow($exact) + 1 + $this->values->countUpTo($exact)) / 2;
    }

    /** How many standard deviations a value lies from the mean; null without a spread. */
    public function z(float|BigDecimal $value): ?float
    {
        if ($this->standardDeviation === null) {
            return null;
        }
        $decimals = $this->values->decimals() ?? -1;
        $unscaled = $decimals < 0 || !is_float($value) ? null : Decimals::unscaled($value, $decimals);
        if ($unscaled !== null) {
            // The mean is taken off in whole units first, so that nothing cancels.
            return ($unscaled - $this->origin - $this->rest) / 10.0 ** $decimals / $this->standardDeviation;
        }

        return (Exact::toFloat(Decimals::exact($value)->toBigRational()->minus($this->mean)) ?? 0.0) / $this->standardDeviation;
    }

    public function isOutlier(float|BigDecimal $value): bool
    {
        if ($this->fences === null) {
            return false;
        }
        [$low, $high, $nearLow, $nearHigh] = $this->fences;
        if (is_float($value) && $value !== $nearLow && $value !== $nearHigh) {
            return $value < $nearLow || $value > $nearHigh;
        }
        $exact = Decimals::exact($value);

        return $exact->compareTo($low) < 0 || $exact->compareTo($high) > 0;
    }
}
