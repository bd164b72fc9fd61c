<?php

declare(strict_types=1);

namespace App\Store;

use Brick\Math\BigDecimal;
use Closure;
use RowTally\Core\Comparison\ComparedPairs;
use RowTally\Core\Observations\Observations;

/** What is put against what, read from the store. */
final readonly class ComparedSides
{
    /**
     * @param non-empty-list<array{string, Observations}>   $sides  names and values, the first first
     * @param list<string>                                  $groups names of all groups that can be chosen
     * @param list<string>                                  $notes
     * @param list<Closure(BigDecimal): (string|null)>|null $labels what the rows of a side with a value are called; null = rows have no names
     * @param (Closure(string, int): (string|null))|null    $rows   the condition that leaves the rows of a side for which one holds
     */
    public function __construct(
        public string $name,
        public ?string $unit,
        public ?int $decimals,
        public array $sides,
        public ?ComparedPairs $pairs = null,
        public array $groups = [],
        public array $notes = [],
        public ?array $labels = null,
        public ?Closure $rows = null,
    ) {}
}
