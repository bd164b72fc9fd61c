<?php

declare(strict_types=1);

namespace Tests\Core\Support;

use RowTally\Core\Values\Buckets;
use RowTally\Core\Values\ValueCounts;

/** Buckets of whole numbers as a test lists them, which notes what was foreseen. */
final class ListedBuckets implements Buckets
{
    /** @var list<list<int>> */
    public array $foreseen = [];

    /** @param list<non-empty-list<int>> $buckets ascending from one to the next */
    public function __construct(private readonly array $buckets) {}

    public function sizes(): array
    {
        return array_map(count(...), $this->buckets);
    }

    public function highest(): array
    {
        return array_map(static fn(array $bucket): int => max($bucket), $this->buckets);
    }

    public function bucket(int $index): ValueCounts
    {
        return ValueCounts::ofUnorderedIntegers($this->buckets[$index], 0);
    }

    public function ascending(): iterable
    {
        foreach (array_keys($this->buckets) as $index) {
            yield from $this->bucket($index)->slices();
        }
    }

    public function unordered(): iterable
    {
        foreach ($this->buckets as $values) {
            yield [$values, null];
        }
    }

    public function prefetch(array $indexes): void
    {
        $this->foreseen[] = $indexes;
    }
}
