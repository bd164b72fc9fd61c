<?php

declare(strict_types=1);

namespace RowTally\Core\Normality;

use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;

/** One test of normality: its statistic, and the probability of one at least as far out if the values came from a normal distribution. */
final readonly class Normality
{
    public function __construct(
        public Figure $statistic,
        public Figure $p,
    ) {}

    public static function undefined(Reason $reason): self
    {
        return new self(Figure::undefined($reason), Figure::undefined($reason));
    }

    /** What stands in the way of any of the tests. */
    public static function obstacle(Observations $observations): ?Reason
    {
        return match (true) {
            !$observations->hasWholeCounts() => Reason::NeedsWholeCounts,
            $observations->n() < 3 => Reason::NeedsThreeValues,
            $observations->allEqual() => Reason::AllValuesAreEqual,
            default => null,
        };
    }
}
