<?php

declare(strict_types=1);

namespace RowTally\Core\Readings;

use RowTally\Core\Comparison\ComparedGroups;

/** Two groups against each other, and what they are called. Everything is said of the second as against the first. */
final readonly class GroupsAgainst
{
    public function __construct(
        public ComparedGroups $compared,
        public string $first,
        public string $second,
        public Wording $wording,
        /** Which direction is the good one; null = neither. */
        public ?GoodDirection $good = null,
        /** Whether both are groups of rows, rather than variables of the same rows. */
        public bool $areRows = true,
    ) {}
}
