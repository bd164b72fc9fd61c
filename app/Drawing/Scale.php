<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Plots\Axis;

/** From data to pixels, in a straight line. */
final readonly class Scale
{
    public function __construct(
        public float $from,
        public float $to,
        public float $start,
        public float $end,
    ) {}

    public static function ofAxis(Axis $axis, float $start, float $end): self
    {
        return new self($axis->from, $axis->to, $start, $end);
    }

    public function at(float $value): float
    {
        return $this->to === $this->from ? $this->start : $this->start + ($this->end - $this->start) * (($value - $this->from) / ($this->to - $this->from));
    }
}
