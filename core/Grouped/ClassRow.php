<?php

declare(strict_types=1);

namespace RowTally\Core\Grouped;

use Brick\Math\BigRational;

/** One class with its count: as it is stated, and what it covers. */
final readonly class ClassRow
{
    public function __construct(
        public string $label,
        public BigRational $low,
        public BigRational $high,
        public BigRational $lower,
        public BigRational $upper,
        public BigRational $count,
        /** Whether one of its limits is an assumption, because it is open. */
        public bool $isOpen,
        public BigRational $midpoint,
    ) {}

    public function width(): BigRational
    {
        return $this->upper->minus($this->lower)->simplified();
    }
}
