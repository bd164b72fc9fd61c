<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

/** How the aligned stack is wanted. */
final readonly class StackOptions
{
    public ClassChoice $classes;

    /** @param list<Marker> $markers lines that run through the stack */
    public function __construct(
        ?ClassChoice $classes = null,
        public HeightScale $scale = HeightScale::Count,
        public array $markers = [Marker::Quartiles, Marker::Median],
        public bool $withNormalCurve = false,
        /** Whether each group's bars reach as high as they can. */
        public bool $ownScales = false,
    ) {
        $this->classes = $classes ?? ClassChoice::ofWord('');
    }
}
