<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use RowTally\Core\Exception\InvalidInput;

/**
 * The values of a number variable in ascending order, each with how often it occurs. Order statistics, counts between two
 * values and sums are answered from here; nobody outside needs to know how the values are held.
 *
 * Missing values are never in it.
 */
interface OrderedValues
{
    /** How many values there are, repeats counted. */
    public function n(): int;

    /** Decimals that the data carry; null when the values are doubles. */
    public function decimals(): ?int;

    /**
     * x₍rank₎, the rank-th smallest value, from 1 to n.
     *
     * @throws InvalidInput when the rank lies outside 1 to n
     */
    public function at(int $rank): BigDecimal;

    /** How many values are smaller than the bound. */
    public function countBelow(BigRational $bound): int;

    /** How many values are smaller than the bound or equal to it. */
    public function countUpTo(BigRational $bound): int;

    /** How many different values there are. */
    public function distinct(): int;

    /**
     * The distinct values between two ranks, both included, ascending, with how often each occurs among those ranks.
     *
     * @return list<array{value: BigDecimal, count: int}>
     */
    public function between(int $fromRank, int $toRank): array;

    public function powerSums(): PowerSums;
}
