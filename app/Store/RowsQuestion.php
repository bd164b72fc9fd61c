<?php

declare(strict_types=1);

namespace App\Store;

use RowTally\Core\Basis\Basis;

/** Which rows of a dataset are wanted, in which order, and which variables of them. */
final readonly class RowsQuestion
{
    /** @param list<string> $of keys of variables; empty = all */
    public function __construct(
        public array $of = [],
        /** A condition; null = all rows. */
        public ?string $where = null,
        /** Key of the variable that they are ordered by; null = as they were entered. */
        public ?string $sort = null,
        public bool $descending = false,
        /** Place in the view of the first one wanted, from 0. */
        public int $from = 0,
        public int $count = 200,
        /** What the condition calls an outlier. */
        public Basis $basis = new Basis(),
    ) {}

    /** The same view, from another place on. */
    public function from(int $from, int $count): self
    {
        return new self($this->of, $this->where, $this->sort, $this->descending, $from, $count, $this->basis);
    }

    /** The condition; null where there is none in it. */
    public function condition(): ?string
    {
        return $this->where === null || trim($this->where) === '' ? null : $this->where;
    }

    /** Whether all rows are meant, as they were entered. */
    public function isEveryRow(): bool
    {
        return $this->sort === null && $this->condition() === null;
    }
}
