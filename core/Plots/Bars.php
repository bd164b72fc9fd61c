<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\Resolution;

/**
 * The bars of overall and each group over the same classes: all that other classes change of a stack.
 *
 * Cost  that of the histograms.
 */
final readonly class Bars
{
    /** So many boundaries can be written under the bars; of more, or of fewer, round numbers say more. */
    private const MOST_WRITTEN = 60;
    private const FEWEST_WRITTEN = 3;

    /**
     * @param list<Histogram>                             $histograms overall, then each group; all over the same classes
     * @param list<list<float>>                           $heights    the same order
     * @param list<float>                                 $highest    where the scale of each lane must reach
     * @param list<list<array{at: float, height: float}>> $curves     normal curves, the same order; none unless wanted
     * @param array{int, int}|null                        $possible
     */
    private function __construct(
        public Axis $axis,
        public Classes $classes,
        public HeightScale $scale,
        public array $histograms,
        public array $heights,
        public array $highest,
        public array $curves,
        /** Counts are whole numbers of 10^−countDecimals. */
        public int $countDecimals,
        /** How many of the possible values of coarse data the classes hold, fewest and most; null where that tells nothing. */
        public ?array $possible,
        /** The step of coarse values; null where they lie finely. */
        public ?BigDecimal $step,
        /** The next narrower and the next wider classes, in words. */
        public ?string $narrower,
        public ?string $wider,
    ) {}

    /**
     * What stands under the bars: the boundaries of the classes while they can be written, or the values that classes are.
     *
     * @return list<array{at: float, text: string}>
     */
    public function ticks(): array
    {
        if ($this->classes->number > self::MOST_WRITTEN) {
            return $this->axis->ticks;
        }
        $inside = array_values(array_filter($this->classes->ticks(), fn(array $tick): bool => $tick['at'] >= $this->axis->from && $tick['at'] <= $this->axis->to));

        return count($inside) < ($this->classes->holdOneValueEach ? 1 : self::FEWEST_WRITTEN) ? $this->axis->ticks : $inside;
    }

    /**
     * @param list<Observations> $groups
     *
     * @return self|null null when there is no value to draw, or their range leaves the doubles
     */
    public static function of(Observations $overall, array $groups, Basis $basis, StackOptions $options): ?self
    {
        $closed = $basis->classEdge;
        if (!$overall->canBeDrawn()) {
            return null;
        }
        $all = [$overall, ...$groups];
        $classes = $options->classes->classes($overall, $closed);
        $axis = self::axis($classes, $overall, $options);
        if ($axis->from >= $axis->to) {
            // Not even doubles tell one end from the other.
            return null;
        }
        $histograms = Histogram::each(array_map(static fn(Observations $group): OrderedValues => $group->values, $all), $classes, $closed);
        $scale = $options->scale->over($classes);
        $heights = array_map($scale->heights(...), $histograms, $all);
        $curves = $options->withNormalCurve
            ? array_map(static fn(Observations $group): array => $scale->normalCurve($group, $basis->takenAs, $classes, $axis->from, $axis->to), $all)
            : [];

        return new self(
            $axis,
            $classes,
            $scale,
            $histograms,
            $heights,
            self::highest($heights, $curves, $options->ownScales),
            $curves,
            $overall->countDecimals,
            self::possible($overall, $classes, $closed),
            Resolution::of($overall->values)?->step,
            ...AutomaticClasses::nextWords($classes, $overall, $closed),
        );
    }

    /** @return array{int, int}|null of classes of one width; of unequal ones densities are drawn */
    private static function possible(Observations $overall, Classes $classes, ClassEdge $closed): ?array
    {
        $resolution = $classes->areEqual() && !$classes->holdOneValueEach ? Resolution::of($overall->values) : null;
        if ($resolution === null) {
            return null;
        }
        // Closed on the right, a class holds what lies above its lower edge.
        $after = static fn(BigDecimal $edge): BigDecimal => $closed === ClassEdge::Left || !$resolution->atLeast($edge)->isEqualTo($edge) ? $edge : $edge->plus($resolution->step);
        $held = array_map(static fn(int $i): int => $resolution->between($after($classes->edge($i)), $after($classes->edge($i + 1))), range(0, $classes->number - 1));
        // The outermost class has the value on its closed end too, where the values reach it.
        $outermost = $closed === ClassEdge::Left ? $classes->number - 1 : 0;
        $end = $classes->edge($closed === ClassEdge::Left ? $classes->number : 0);
        $held[$outermost] += $resolution->reaches($end) ? 1 : 0;

        return min($held) === max($held) ? null : [min($held), max($held)];
    }

    /** Values that the classes leave out are on the axis all the same: the box needs them. */
    private static function axis(Classes $classes, Observations $overall, StackOptions $options): Axis
    {
        if ($options->zoom !== null) {
            return Axis::covering(...$options->zoom);
        }
        [$min, $max] = [$overall->values->at(1), $overall->values->at($overall->n())];

        if ($classes->holdOneValueEach && $min->isGreaterThan($classes->start) && $max->isLessThan($classes->end())) {
            return Axis::ofValues($classes);
        }

        return Axis::covering($min->isLessThan($classes->start) ? $min : $classes->start, $max->isGreaterThan($classes->end()) ? $max : $classes->end());
    }

    /**
     * Overall stands alone; the groups share a scale unless each has its own.
     *
     * @param list<list<float>>                           $heights
     * @param list<list<array{at: float, height: float}>> $curves
     *
     * @return list<float>
     */
    private static function highest(array $heights, array $curves, bool $ownScales): array
    {
        $own = array_map(
            static fn(array $bars, array $curve): float => max(0.0, ...$bars, ...array_column($curve, 'height')),
            $heights,
            $curves === [] ? array_fill(0, count($heights), []) : $curves,
        );
        $inGroups = max([0.0, ...array_slice($own, 1)]);

        return [$own[0], ...array_map(static fn(float $highest): float => $ownScales ? $highest : $inGroups, array_slice($own, 1))];
    }
}
