<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

/**
 * Buckets without a few of their values; only of decimals. What goes is taken out of a bucket when somebody looks into it.
 *
 * `highest()` may name a value that has gone: no value of a bucket is larger, and all of the next are.
 */
final class BucketsLess implements Buckets
{
    use BucketByBucket;

    /** @var list<int> places among all buckets, of those that keep a value */
    private array $left = [];
    /** @var list<int> */
    private array $sizes = [];
    /** @var list<int|float> */
    private array $highest = [];
    /** @var array<int, ValueCounts> */
    private array $made = [];

    /** @param array<int, array<int, int>> $removed bucket => unscaled value => how many of it go, never more than there are */
    public function __construct(private readonly Buckets $all, private readonly array $removed)
    {
        $highest = $all->highest();
        foreach ($all->sizes() as $place => $size) {
            $size -= array_sum($removed[$place] ?? []);
            if ($size > 0) {
                $this->left[] = $place;
                $this->sizes[] = $size;
                $this->highest[] = $highest[$place];
            }
        }
    }

    public function sizes(): array
    {
        return $this->sizes;
    }

    public function highest(): array
    {
        return $this->highest;
    }

    public function bucket(int $index): ValueCounts
    {
        $place = $this->left[$index];

        return $this->made[$index] ??= isset($this->removed[$place]) ? $this->all->bucket($place)->changed($this->removed[$place], []) : $this->all->bucket($place);
    }

    public function prefetch(array $indexes): void
    {
        $this->all->prefetch(array_map(fn(int $index): int => $this->left[$index], $indexes));
    }
}
