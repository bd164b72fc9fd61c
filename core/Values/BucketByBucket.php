<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

/**
 * All values of buckets that are each put in order already, one bucket after the other.
 *
 * @phpstan-require-implements Buckets
 */
trait BucketByBucket
{
    public function ascending(): iterable
    {
        $all = array_keys($this->sizes());
        $this->prefetch($all);
        foreach ($all as $index) {
            yield from $this->bucket($index)->slices();
        }
    }

    public function unordered(): iterable
    {
        return $this->ascending();
    }
}
