<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use RowTally\Core\Exception\InvalidInput;

/**
 * Ordered values, very many of them, in buckets that follow one another. Ranks and counts look into one bucket each, so of a
 * million values only the few hundred near a quartile or an edge are ever put in order, or read from the store.
 *
 * Cost  a look-up is O(log buckets) and the ordering of one bucket; what needs every value orders them all.
 */
final class BucketedValues implements OrderedValues
{
    /** @var list<int> values up to the end of each bucket */
    private readonly array $upTo;
    /** @var list<int|float> */
    private readonly array $highest;
    private ?ValueCounts $counted = null;
    private ?int $distinct = null;

    public function __construct(
        public readonly Buckets $buckets,
        private readonly ?int $decimals,
        private readonly PowerSums $powerSums,
        /** Known of those in the store. */
        public readonly ?RoundCounts $roundCounts = null,
    ) {
        $upTo = [];
        $sum = 0;
        foreach ($buckets->sizes() as $size) {
            $upTo[] = $sum += $size;
        }
        $this->upTo = $upTo;
        $this->highest = $buckets->highest();
    }

    public function n(): int
    {
        return $this->before(count($this->upTo));
    }

    public function decimals(): ?int
    {
        return $this->decimals;
    }

    public function at(int $rank): BigDecimal
    {
        if ($rank < 1 || $rank > $this->n()) {
            throw InvalidInput::rankOutside($rank, $this->n());
        }
        $bucket = $this->bucketOfRank($rank);

        return $this->buckets->bucket($bucket)->at($rank - $this->before($bucket));
    }

    public function countBelow(BigRational $bound): int
    {
        return $this->countTo($bound, false);
    }

    public function countUpTo(BigRational $bound): int
    {
        return $this->countTo($bound, true);
    }

    public function countHeld(BigRational $bound, bool $withEqual): int
    {
        $bucket = $this->bucketAtBound($bound);

        return $bucket >= count($this->upTo) ? $this->n() : $this->before($bucket) + $this->buckets->bucket($bucket)->countHeld($bound, $withEqual);
    }

    public function countBelowUnscaled(int $bound): int
    {
        $known = $this->roundCounts?->below($bound);
        if ($known !== null) {
            return $known;
        }
        $bucket = self::first($this->highest, $bound);

        return $bucket >= count($this->upTo) ? $this->n() : $this->before($bucket) + $this->buckets->bucket($bucket)->countBelowUnscaled($bound);
    }

    public function distinct(): int
    {
        if ($this->distinct === null) {
            $this->distinct = 0;
            foreach ($this->slices() as [$some]) {
                $this->distinct += count($some);
            }
        }

        return $this->distinct;
    }

    public function hasMoreDistinctThan(int $most): bool
    {
        // Each bucket has values of its own.
        return count($this->upTo) > $most || $this->distinct() > $most;
    }

    public function between(int $fromRank, int $toRank): array
    {
        $found = [];
        foreach ($this->parts($fromRank, $toRank) as [$bucket, $from, $to]) {
            array_push($found, ...$bucket->between($from, $to));
        }

        return $found;
    }

    public function powerSums(): PowerSums
    {
        return $this->powerSums;
    }

    public function sumBetween(int $fromRank, int $toRank): BigRational
    {
        $sum = BigRational::zero();
        foreach ($this->parts($fromRank, $toRank) as [$bucket, $from, $to]) {
            $sum = $sum->plus($bucket->sumBetween($from, $to));
        }

        return $sum->simplified();
    }

    public function slices(): iterable
    {
        return $this->buckets->ascending();
    }

    public function unorderedSlices(): iterable
    {
        return $this->buckets->unordered();
    }

    public function lowest(int $most): array
    {
        $found = [];
        for ($bucket = 0; $bucket < count($this->upTo) && count($found) < $most; ++$bucket) {
            array_push($found, ...$this->buckets->bucket($bucket)->lowest($most - count($found)));
        }

        return $found;
    }

    public function highest(int $most): array
    {
        $found = [];
        for ($bucket = count($this->upTo) - 1; $bucket >= 0 && count($found) < $most; --$bucket) {
            $found = [...$this->buckets->bucket($bucket)->highest($most - count($found)), ...$found];
        }

        return $found;
    }

    public function prefetch(array $bounds): void
    {
        $buckets = [];
        foreach ($bounds as $bound) {
            if (is_int($bound) && $this->roundCounts?->below($bound) !== null) {
                continue;
            }
            $bucket = is_int($bound) ? self::first($this->highest, $bound) : $this->bucketAtBound($bound);
            if ($bucket < count($this->upTo)) {
                $buckets[$bucket] = $bucket;
            }
        }
        $this->buckets->prefetch(array_values($buckets));
    }

    public function prefetchQuantiles(int $shares): void
    {
        $n = $this->n();
        if ($n > 0) {
            $this->buckets->prefetch(array_values(array_unique(array_map(fn(int $share): int => $this->bucketOfRank(max(1, intdiv($share * $n, $shares))), range(0, $shares)))));
        }
    }

    public function counted(): ValueCounts
    {
        $this->counted ??= ValueCounts::ofSlices($this->slices(), $this->decimals, $this->powerSums);

        return $this->counted;
    }

    /**
     * The same values but for a few; only for decimals.
     *
     * @param array<int, int> $removed unscaled value => how many of it go, never more than there are
     *
     * Cost  a look-up for each; buckets are read when somebody looks into them.
     */
    public function less(array $removed): OrderedValues
    {
        $byBucket = [];
        foreach ($removed as $value => $count) {
            $byBucket[$this->bucketOf($value)][$value] = $count;
        }
        $decimals = $this->decimals ?? 0;
        $left = new BucketsLess($this->buckets, $byBucket);

        return $left->sizes() === []
            ? ValueCounts::ofIntegers([], [], $decimals)
            : new self($left, $decimals, $this->powerSums->minus(PowerSums::ofIntegers(array_keys($removed), array_values($removed), $decimals)), $this->roundCounts?->changed($removed, []));
    }

    /** The bucket that holds a value or would hold it: the first whose largest is not smaller; the last for anything beyond. */
    public function bucketOf(int|float $value): int
    {
        return min(self::first($this->highest, $value), count($this->highest) - 1);
    }

    private function countTo(BigRational $bound, bool $withEqual): int
    {
        $bucket = $this->bucketAtBound($bound);
        if ($bucket >= count($this->upTo)) {
            return $this->n();
        }
        $values = $this->buckets->bucket($bucket);

        return $this->before($bucket) + ($withEqual ? $values->countUpTo($bound) : $values->countBelow($bound));
    }

    /** The first bucket whose largest value is not smaller than the bound; the number of buckets where there is none. */
    private function bucketAtBound(BigRational $bound): int
    {
        return self::first($this->highest, $this->decimals === null ? Exact::near($bound) : ScaledBound::atLeast($bound, $this->decimals));
    }

    /** @param list<int|float> $ascending */
    private static function first(array $ascending, int|float $atLeast): int
    {
        $low = 0;
        $high = count($ascending);
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($ascending[$middle] >= $atLeast) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }

        return $low;
    }

    private function bucketOfRank(int $rank): int
    {
        return self::first($this->upTo, $rank);
    }

    private function before(int $bucket): int
    {
        return $this->upTo[$bucket - 1] ?? 0;
    }

    /** @return iterable<array{ValueCounts, int, int}> the buckets between two ranks, with the first and last rank in each */
    private function parts(int $fromRank, int $toRank): iterable
    {
        if ($fromRank > $toRank) {
            return;
        }
        $last = $this->bucketOfRank($toRank);
        $first = $this->bucketOfRank($fromRank);
        $this->buckets->prefetch(range($first, $last));
        for ($bucket = $first; $bucket <= $last; ++$bucket) {
            $before = $this->before($bucket);
            yield [$this->buckets->bucket($bucket), max($fromRank, $before + 1) - $before, min($toRank, $this->upTo[$bucket]) - $before];
        }
    }
}
