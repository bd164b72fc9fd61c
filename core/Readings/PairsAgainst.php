<?php

declare(strict_types=1);

namespace RowTally\Core\Readings;

use RowTally\Core\Comparison\ComparedPairs;

/** The same rows earlier and later, and what the two are called. */
final readonly class PairsAgainst
{
    public function __construct(
        public ComparedPairs $compared,
        public string $first,
        public string $second,
        public Wording $wording,
        public ?GoodDirection $good = null,
    ) {}
}
