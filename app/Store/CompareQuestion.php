<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use Brick\Math\BigDecimal;
use RowTally\Core\Readings\GoodDirection;

/** What is put against what, under the basis of a question. */
final readonly class CompareQuestion
{
    /** @param list<string> $groups names in the order to compare; empty = the first two that have values */
    public function __construct(
        public string $what,
        public Question $question,
        public array $groups = [],
        public ?GoodDirection $good = null,
        public ?Dataset $other = null,
        public ?string $otherOf = null,
        public ?BigDecimal $factor = null,
        /** Whether the first stands for the second. */
        public bool $isTurned = false,
    ) {}
}
