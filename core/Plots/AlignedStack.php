<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;

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
        public Bars $bars,
        public array $boxes,
        public array $markers,
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
        $bars = Bars::of($overall, $groups, $basis, $options);

        return $bars === null ? null : new self(
            $bars,
            array_map(static fn(Observations $group): ?BoxPlot => $group->n() === 0 ? null : BoxPlot::of($group, $basis), [$overall, ...$groups]),
            array_merge(...array_map(static fn(Marker $marker): array => $marker->lines($overall, $basis), $options->markers)),
            DotPlot::strip($overall),
        );
    }
}
