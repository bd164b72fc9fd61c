<?php

declare(strict_types=1);

namespace RowTally\Core\Grouped;

/** How labels of classes are taken: what their limits stand for (null = recognised), and what somebody knows better. */
final readonly class ClassReading
{
    public function __construct(
        public ?StatedLimits $limits = null,
        public ?Amendments $amendments = null,
    ) {}

    public function amendments(): Amendments
    {
        return $this->amendments ?? Amendments::none();
    }
}
