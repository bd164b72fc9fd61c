<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Values\Observations;

/**
 * Dots over the histogram over the box plot on one axis, overall and by group: one axis and one set of classes for all of them, so that
 * a quartile is one vertical line through the whole stack and bars compare across lanes.
 *
 * Cost  that of its parts; nothing is read again for another basis.
 */
final readonly class AlignedStack
{
    /**
     * @param list<BoxPlot|null>                                $boxes   overall, then each group; null for a group without values
     * @param list<array{key: string, name: string, at: float}> $markers lines of the overall figures
     */
    private function __construct(
        public Axis $axis,
        public Bars $bars,
        public array $boxes,
        public array $markers,
        public Crosshair $crosshair,
        /** The overall values above it all, on the same axis. */
        public DotPlot $dots,
    ) {}

    /**
     * @param list<Observations> $groups
     *
     * @return self|null null when there is no value to draw
     */
    public static function of(Observations $overall, array $groups, Basis $basis, StackOptions $options = new StackOptions()): ?self
    {
        if ($overall->n() === 0) {
            return null;
        }
        $all = [$overall, ...$groups];
        $classes = $options->classes->classes($overall);
        $axis = self::axis($classes, $overall, $options);
        $bars = Bars::of($all, $axis, $classes, $basis->classEdge, $options);

        return new self(
            $axis,
            $bars,
            array_map(static fn(Observations $group): ?BoxPlot => $group->n() === 0 ? null : BoxPlot::of($group, $basis), $all),
            array_merge(...array_map(static fn(Marker $marker): array => $marker->lines($overall, $basis), $options->markers)),
            Crosshair::over($axis, $bars->histograms[0], $overall, $basis),
            DotPlot::strip($overall),
        );
    }

    /**
     * The bars alone, over other classes.
     *
     * @param list<Observations> $groups
     *
     * @return Bars|null null when there is no value to draw
     */
    public static function bars(Observations $overall, array $groups, Basis $basis, StackOptions $options): ?Bars
    {
        if ($overall->n() === 0) {
            return null;
        }
        $classes = $options->classes->classes($overall);

        return Bars::of([$overall, ...$groups], self::axis($classes, $overall, $options), $classes, $basis->classEdge, $options);
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
}
