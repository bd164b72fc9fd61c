<?php

declare(strict_types=1);

namespace App\Store;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Plots\StackOptions;

/** What is asked of a dataset: which variables and figures, split by what, under which basis. Parsed once, from the words of the address. */
final readonly class Question
{
    /**
     * @param list<string>    $of         keys of variables; empty = none chosen yet; all for an overview
     * @param list<string>    $by         keys of the variables that split the rows, none to two
     * @param list<Statistic> $statistics in the order of the catalogue
     */
    public function __construct(
        public array $of,
        public array $by,
        public Basis $basis,
        public array $statistics,
        /** Key of the variable that says how often a row counts. */
        public ?string $counts = null,
        /** Whether rows without an entry of a splitting variable have a group. */
        public bool $showsNoEntry = true,
        /** Whether frequency tables have the most frequent first. */
        public bool $byCount = false,
        /** Whether a number's frequency table has a row for each value though they are many. */
        public bool $distinct = false,
        public StackOptions $stack = new StackOptions(),
    ) {}

    public function countedBy(string $counts): self
    {
        return new self($this->of, $this->by, $this->basis, $this->statistics, $counts, $this->showsNoEntry, $this->byCount, $this->distinct, $this->stack);
    }

    public function ungrouped(): self
    {
        return new self($this->of, [], $this->basis, $this->statistics, $this->counts, $this->showsNoEntry, $this->byCount, $this->distinct, $this->stack);
    }

    /** @param list<string> $of */
    public function about(array $of): self
    {
        return new self($of, $this->by, $this->basis, $this->statistics, $this->counts, $this->showsNoEntry, $this->byCount, $this->distinct, $this->stack);
    }
}
