<?php

declare(strict_types=1);

namespace RowTally\Core\Match;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Observations\Observations;

/** One way in which a figure may have come about. */
final readonly class Explanation
{
    /** @param list<string> $differences what is unlike the basis in force, in words; none = exactly what is on screen */
    public function __construct(
        public Statistic $statistic,
        public array $differences,
        public float $value,
        /** the plainer, the smaller */
        public int $cost,
        public Observations $observations,
        public Basis $basis,
        /** whether the figure's sign was turned to get the value */
        public bool $isTurned = false,
    ) {}
}
