<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;

/** Equal classes side by side, their edges exact decimals. */
final readonly class Classes
{
    public function __construct(
        public BigDecimal $start,
        /** greater than 0 */
        public BigDecimal $width,
        /** 1 or more */
        public int $number,
    ) {}

    public function edge(int $index): BigDecimal
    {
        return $this->start->plus($this->width->multipliedBy($index));
    }

    public function end(): BigDecimal
    {
        return $this->edge($this->number);
    }

    /** Whether each class is one whole number with half a unit on either side. */
    public function areCentredOnWholeNumbers(): bool
    {
        return $this->width->isEqualTo(1) && $this->start->plus('0.5')->stripTrailingZeros()->getScale() <= 0;
    }

    /** @return list<float> the number + 1 edges, each the double nearest to its decimal */
    public function edges(): array
    {
        return array_map(fn(int $i): float => (float) (string) $this->edge($i), range(0, $this->number));
    }
}
