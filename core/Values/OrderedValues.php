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

    /**
     * How many values are smaller than a bound that comes from sums, or equal to it if $withEqual: doubles are read as the sums take
     * them, each itself and not the decimal text nearest to it.
     */
    public function countHeld(BigRational $bound, bool $withEqual): int;

    /** How many values are smaller than a whole number of 10^−decimals; only for decimals. */
    public function countBelowUnscaled(int $bound): int;

    /** How many different values there are. Of very many it may have to look at all of them. */
    public function distinct(): int;

    /** Whether there are more different values than that; never looks at more than it must. */
    public function hasMoreDistinctThan(int $most): bool;

    /**
     * The distinct values between two ranks, both included, ascending, with how often each occurs among those ranks.
     *
     * @return list<array{value: BigDecimal, count: int}>
     */
    public function between(int $fromRank, int $toRank): array;

    public function powerSums(): PowerSums;

    /** The sum of the values from one rank to another, both included; 0 where there are none between. */
    public function sumBetween(int $fromRank, int $toRank): BigRational;

    /**
     * All distinct values, ascending, some thousand at a time: whole numbers in the last decimal place, or doubles.
     *
     * @return iterable<array{list<int>|list<float>, list<int>}> the values and how often each occurs
     */
    public function slices(): iterable;

    /**
     * The same in any order, and a value may come more than once: for sums, to which order makes no difference.
     *
     * @return iterable<array{array<int, int>|array<int, float>, list<int>|null}> null = each counts once, and they are keyed in any way
     */
    public function unorderedSlices(): iterable;

    /** @return list<array{value: BigDecimal, count: int}> the smallest distinct values, ascending, at most $most of them */
    public function lowest(int $most): array;

    /** @return list<array{value: BigDecimal, count: int}> the largest distinct values, ascending, at most $most of them */
    public function highest(int $most): array;

    /**
     * Says that counts below or up to these bounds are going to be asked for.
     *
     * @param list<BigRational>|list<int> $bounds as countBelow() or as countBelowUnscaled() takes them
     */
    public function prefetch(array $bounds): void;

    /** Says that the outermost values and those about so many equal shares of the ranks are going to be asked for: 4 for quartiles. */
    public function prefetchQuantiles(int $shares): void;

    /** The same in one piece, so that it can be changed. */
    public function counted(): ValueCounts;
}
