<?php

declare(strict_types=1);

namespace App\Store;

use RowTally\Core\Basis\Basis;

/** What is asked of a dataset: which variables, split by what, under which basis. Parsed once, from the words of the address. */
final readonly class Question
{
    /** @param list<string> $of keys of variables; empty = none chosen yet */
    public function __construct(
        public array $of,
        public ?string $by,
        public Basis $basis,
    ) {}
}
