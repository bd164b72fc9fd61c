<?php

declare(strict_types=1);

namespace RowTally\Core\Readings;

/** The labels of a category, overall or in a group. */
final readonly class LabelsSubject
{
    /**
     * @param list<string> $labels
     * @param list<int>    $counts of each, in the unit of the counts
     */
    public function __construct(
        public string $name,
        public array $labels,
        public array $counts,
        public Wording $wording,
        public int $countDecimals = 0,
        public ?string $column = null,
    ) {}
}
