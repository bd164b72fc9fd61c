<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Values\Observations;
use RowTally\Core\Values\OrderedValues;

/**
 * The bars of overall and each group over the same classes: all that other classes change of a stack.
 *
 * Cost  that of the histograms.
 */
final readonly class Bars
{
    /**
     * @param list<Histogram>                             $histograms overall, then each group; all over the same classes
     * @param list<list<float>>                           $heights    the same order
     * @param list<float>                                 $highest    where the scale of each lane must reach
     * @param list<list<array{at: float, height: float}>> $curves     normal curves, the same order; none unless wanted
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
    ) {}

    /**
     * @param list<Observations> $groups
     *
     * @return self|null null when there is no value to draw
     */
    public static function of(Observations $overall, array $groups, ClassEdge $closed, StackOptions $options): ?self
    {
        if ($overall->n() === 0) {
            return null;
        }
        $all = [$overall, ...$groups];
        $classes = $options->classes->classes($overall);
        $axis = self::axis($classes, $overall, $options);
        $histograms = Histogram::each(array_map(static fn(Observations $group): OrderedValues => $group->values, $all), $classes, $closed);
        $scale = $options->scale->over($classes);
        $heights = array_map($scale->heights(...), $histograms, $all);
        $curves = $options->withNormalCurve
            ? array_map(static fn(Observations $group): array => $scale->normalCurve($group, $classes, $axis->from, $axis->to), $all)
            : [];

        return new self($axis, $classes, $scale, $histograms, $heights, self::highest($heights, $curves, $options->ownScales), $curves, $overall->countDecimals);
    }

    /** Values that the classes leave out are on the axis all the same: the box needs them. */
    private static function axis(Classes $classes, Observations $overall, StackOptions $options): Axis
    {
        if ($options->zoom !== null) {
            return Axis::covering(...$options->zoom);
        }
        if ($classes->areCentredOnWholeNumbers()) {
            return Axis::ofWholeNumbers($classes->start, $classes->end());
        }
        [$min, $max] = [$overall->values->at(1), $overall->values->at($overall->n())];

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
