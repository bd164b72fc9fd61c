<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

/** Values cut into buckets that follow one another, wherever they are kept; each is put in order only when somebody looks into it. */
interface Buckets
{
    /** @return list<int> how many values each bucket has, 1 or more */
    public function sizes(): array;

    /** @return list<int|float> no value of a bucket is larger, and all of the next are: unscaled for decimals */
    public function highest(): array;

    public function bucket(int $index): ValueCounts;

    /** @return iterable<array{list<int>|list<float>, list<int>}> all distinct values, ascending, and how often each occurs, at most some thousand at a time */
    public function ascending(): iterable;

    /** @return iterable<array{array<int, int>|array<int, float>, list<int>|null}> all values in any order, some thousand at a time; null = each counts once, and they are keyed in any way */
    public function unordered(): iterable;

    /**
     * Says which buckets are going to be looked into.
     *
     * @param list<int> $indexes
     */
    public function prefetch(array $indexes): void;
}
