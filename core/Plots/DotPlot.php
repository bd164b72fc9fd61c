<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\ScaledBound;

/**
 * Dot plot: a dot for each value, stacked where they are equal, at their exact places; overall and by group on one axis.
 *
 * Definition  exact stacks while no two different values are nearer than a hundredth of the range; else bins of a round width, a
 *             dot in the middle of each. One dot is one value while no stack is higher than `HIGHEST`; else up to a round number of them.
 * Unit        the unit of the variable.
 * Undefined   no columns without values, or where their range leaves the doubles.
 * Source      Wilkinson, The American Statistician 53 (1999) 276–281, for binned dots.
 * Accuracy    exact places; counts of bins are decided exactly, left-closed.
 * Cost        O(columns) look-ups a group.
 */
final readonly class DotPlot
{
    public const HIGHEST = 30;
    private const LOW = 8;
    private const COLUMNS = 100;
    private const BINS = 60;

    /**
     * @param list<float>                                                                           $at    places of the columns
     * @param list<array{counts: list<int>, dots: list<int>, mean: float|null, median: float|null}> $lanes overall, then each group
     */
    private function __construct(
        public ?Axis $axis,
        public array $at,
        public array $lanes,
        /** null where each stack is one exact value */
        public ?BigDecimal $binWidth,
        /** in the unit of the counts */
        public int $perDot,
        /** Counts are whole numbers of 10^−countDecimals. */
        public int $countDecimals,
    ) {}

    /** A low plot of all values, to stand above others. */
    public static function strip(Observations $observations): self
    {
        return self::of([$observations], self::LOW);
    }

    /** @param non-empty-list<Observations> $columns overall, then each group */
    public static function of(array $columns, int $mostDots = self::HIGHEST): self
    {
        $overall = $columns[0];
        $n = $overall->n();
        if (!$overall->canBeDrawn()) {
            return new self(null, [], [], null, 1, 0);
        }
        $values = $overall->values;
        [$min, $max] = [$values->at(1), $values->at($n)];
        $exact = $values->hasMoreDistinctThan(self::COLUMNS) ? null : array_column($values->lowest(self::COLUMNS), 'value');
        if ($exact !== null && !self::areApart($exact, $max->minus($min))) {
            $exact = null;
        }
        $width = $exact !== null || $min->isEqualTo($max) ? null : RoundNumbers::stepAtLeast($max->minus($min)->toBigRational()->dividedBy(self::BINS));
        $counts = array_map(static fn(Observations $group): array => $width === null ? self::exactCounts($group, $exact ?? [$min]) : self::binned($group, $min, $max, $width), $columns);
        $highest = max(1, ...array_map(static fn(array $own): int => $own === [] ? 0 : max($own), $counts));
        $unit = 10 ** $overall->countDecimals;
        $perDot = $unit * self::roundUp((int) ceil($highest / $unit / $mostDots));
        $start = $width === null ? $min : RoundNumbers::floorTo($min->toBigRational(), $width);
        $at = $width === null
            ? array_map(static fn(BigDecimal $value): float => (float) (string) $value, $exact ?? [$min])
            : array_map(static fn(int $i): float => (float) (string) $start->plus($width->multipliedBy($i))->plus($width->multipliedBy('0.5')), array_keys($counts[0]));

        return new self(
            self::axis($min, $max, $width),
            $at,
            array_map(static fn(array $own, Observations $group): array => [
                'counts' => $own,
                'dots' => array_map(static fn(int $count): int => intdiv($count + $perDot - 1, $perDot), $own),
                'mean' => $group->n() === 0 ? null : Exact::toFloat($group->mean()),
                'median' => $group->n() === 0 ? null : Exact::toFloat($group->median()),
            ], $counts, $columns),
            $width,
            $perDot,
            $overall->countDecimals,
        );
    }

    /** @param list<BigDecimal> $values ascending */
    private static function areApart(array $values, BigDecimal $range): bool
    {
        $least = $range->toBigRational()->dividedBy(self::COLUMNS);
        foreach ($values as $i => $value) {
            if ($i > 0 && $value->minus($values[$i - 1])->toBigRational()->isLessThan($least)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param list<BigDecimal> $values
     *
     * @return list<int>
     */
    private static function exactCounts(Observations $group, array $values): array
    {
        return array_map(static fn(BigDecimal $value): int => $group->values->countUpTo($value->toBigRational()) - $group->values->countBelow($value->toBigRational()), $values);
    }

    /** @return list<int> */
    private static function binned(Observations $group, BigDecimal $min, BigDecimal $max, BigDecimal $width): array
    {
        $values = $group->values;
        $decimals = $values->decimals();
        $edges = [];
        $edge = RoundNumbers::floorTo($min->toBigRational(), $width);
        do {
            $edge = $edge->plus($width);
            $edges[] = $decimals === null ? BigRational::of($edge) : ScaledBound::ofDecimal($edge, $decimals, false);
        } while ($edge->isLessThanOrEqualTo($max));
        $values->prefetch($edges);
        $counts = [];
        $before = 0;
        foreach ($edges as $upper) {
            $upTo = is_int($upper) ? $values->countBelowUnscaled($upper) : $values->countBelow($upper);
            $counts[] = $upTo - $before;
            $before = $upTo;
        }

        return $counts;
    }

    private static function axis(BigDecimal $min, BigDecimal $max, ?BigDecimal $width): Axis
    {
        if ($min->isEqualTo($max)) {
            $margin = BigDecimal::ofUnscaledValue(1, max(0, $min->getScale()));

            return Axis::covering($min->minus($margin), $max->plus($margin));
        }

        return Axis::covering($width === null ? $min : RoundNumbers::floorTo($min->toBigRational(), $width), $width === null ? $max : RoundNumbers::floorTo($max->toBigRational(), $width)->plus($width));
    }

    /** The next of 1, 2, 5, 10, 20, … */
    private static function roundUp(int $least): int
    {
        for ($ten = 1; ; $ten *= 10) {
            foreach ([1, 2, 5] as $step) {
                if ($step * $ten >= $least) {
                    return $step * $ten;
                }
            }
        }
    }
}
