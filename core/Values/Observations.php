<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Quantiles\Quartiles;

/**
 * One group of one number variable, ready for every figure: its values in order, and how many of its rows have none.
 *
 * Sums and quartiles are worked out at most once each, however many figures ask for them.
 */
final class Observations
{
    private ?PowerSums $powerSums = null;
    /** @var array<string, Quartiles> */
    private array $quartiles = [];

    public function __construct(
        public readonly ValueCounts $values,
        public readonly int $missing,
    ) {}

    public function n(): int
    {
        return $this->values->n();
    }

    public function powerSums(): PowerSums
    {
        return $this->powerSums ??= $this->values->powerSums();
    }

    /** Only for n of 1 or more. */
    public function quartiles(QuartileRule $rule): Quartiles
    {
        return $this->quartiles[$rule->value] ??= Quartiles::of($this->values, $rule);
    }
}
