<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

/** Buckets in memory, as one pass over the values left them: not in order within. */
final class GatheredBuckets implements Buckets
{
    private const AT_ONCE = 4096;

    /** @var list<list<int>|list<float>> */
    private array $gathered;
    /** @var array<int, ValueCounts> */
    private array $ordered = [];

    /** @param array<list<int>|list<float>> $gathered ascending from bucket to bucket; empty ones are passed over */
    public function __construct(array $gathered, private readonly ?int $decimals)
    {
        $this->gathered = array_values(array_filter($gathered, static fn(array $bucket): bool => $bucket !== []));
    }

    public function sizes(): array
    {
        return array_map(count(...), $this->gathered);
    }

    public function highest(): array
    {
        return array_map(static fn(array $bucket): int|float => $bucket === [] ? 0 : max($bucket), $this->gathered);
    }

    public function bucket(int $index): ValueCounts
    {
        return $this->ordered[$index] ??= $this->put($this->gathered[$index]);
    }

    public function unordered(): iterable
    {
        foreach ($this->gathered as $bucket) {
            foreach (array_chunk($bucket, self::AT_ONCE) as $values) {
                yield [$values, null];
            }
        }
    }

    public function prefetch(array $indexes): void {}

    /** @param list<int>|list<float> $values */
    private function put(array $values): ValueCounts
    {
        if ($this->decimals === null) {
            /** @var list<float> $values */
            return ValueCounts::ofUnorderedDoubles($values);
        }

        /** @var list<int> $values */
        return ValueCounts::ofUnorderedIntegers($values, $this->decimals);
    }
}
