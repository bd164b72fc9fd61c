<?php

declare(strict_types=1);

namespace RowTally\Core\Grouped;

/**
 * How labels of classes are taken: what their limits stand for (null = recognised), how their numbers are written, whether counts add up
 * as they go, and what somebody knows better.
 */
final readonly class ClassReading
{
    public function __construct(
        public ?StatedLimits $limits = null,
        public ?Amendments $amendments = null,
        /** @var '.'|','|null what stands before decimals; null = as the labels show it */
        public ?string $decimalMark = null,
        /** Whether each count holds those of the classes before it; null = to be asked where it looks like it. */
        public ?bool $isCumulative = null,
    ) {}

    /** @param '.'|','|null $decimalMark */
    public function markedBy(?string $decimalMark): self
    {
        return new self($this->limits, $this->amendments, $decimalMark, $this->isCumulative);
    }

    public function amendments(): Amendments
    {
        return $this->amendments ?? Amendments::none();
    }
}
