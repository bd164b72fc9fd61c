<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Values\Observations;
use RowTally\Core\Values\OrderedValues;

/**
 * The histogram over the box plot on one axis, overall and by group: one axis and one set of classes for all of them, so that
 * a quartile is one vertical line through the whole stack and bars compare across lanes.
 *
 * Cost  that of its parts; nothing is read again for another basis.
 */
final readonly class AlignedStack
{
    /**
     * @param list<Histogram>    $histograms overall, then each group; all over the same classes
     * @param list<BoxPlot|null> $boxes      the same order; null for a group without values
     */
    private function __construct(
        public Axis $axis,
        public Classes $classes,
        public array $histograms,
        public array $boxes,
        /** The largest count of any class, overall and among the groups: where a scale of counts must reach. */
        public int $highestOverall,
        public int $highestInGroups,
        /** Counts are whole numbers of 10^−countDecimals. */
        public int $countDecimals,
    ) {}

    /**
     * @param list<Observations> $groups
     *
     * @return self|null null when there is no value to draw
     */
    public static function of(Observations $overall, array $groups, Basis $basis): ?self
    {
        if ($overall->n() === 0) {
            return null;
        }
        $classes = AutomaticClasses::for($overall);
        $histograms = Histogram::each(
            array_map(static fn(Observations $group): OrderedValues => $group->values, [$overall, ...$groups]),
            $classes,
            $basis->classEdge,
        );
        $boxes = array_map(
            static fn(Observations $group): ?BoxPlot => $group->n() === 0 ? null : BoxPlot::of($group, $basis),
            [$overall, ...$groups],
        );
        $inGroups = array_map(static fn(Histogram $histogram): int => $histogram->highest(), array_slice($histograms, 1));

        return new self(
            $classes->areCentredOnWholeNumbers()
                ? Axis::ofWholeNumbers($classes->start, $classes->end())
                : Axis::covering($classes->start, $classes->end()),
            $classes,
            $histograms,
            $boxes,
            $histograms[0]->highest(),
            $inGroups === [] ? 0 : max($inGroups),
            $overall->countDecimals,
        );
    }
}
