<?php

declare(strict_types=1);

namespace RowTally\Core\Comparison;

/** One line of a comparison as it is shown: a measure of the first, of the second, and how they differ. */
final readonly class ComparisonLine
{
    public function __construct(
        public string $key,
        public string $label,
        /** Why nothing stands there where it is null. */
        public ?string $first,
        public ?string $second,
        public ?string $difference,
        /** In percent of the first, or how many times as much. */
        public ?string $beside = null,
        public ?string $reason = null,
        /** Difference and beside in full precision, for copying. */
        public int|float|null $value = null,
    ) {}
}
