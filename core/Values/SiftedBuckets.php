<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

/**
 * Very many values in memory, in the order in which they came: how many fall into each of some thousand buckets of one width is
 * counted, and those of a bucket are looked for when somebody looks into it.
 *
 * Cost  one pass to count, one for each set of buckets that is asked for; when that has happened a few times, one for all of them.
 */
final class SiftedBuckets implements Buckets
{
    private const PASSES = 3;

    /** @var list<int> numbers of the buckets that hold anything, ascending */
    private readonly array $numbers;
    /** @var array<int, list<int>|list<float>> found and not in order yet, by the number of the bucket */
    private array $found = [];
    /** @var array<int, ValueCounts> by the number of the bucket */
    private array $ordered = [];
    private int $passes = 0;

    /**
     * @param list<array<int, int>|array<int, float>> $parts  the values
     * @param array<int, int>                         $counts how many fall into each bucket, empty ones among them
     * @param array<int, int|float>                   $upTo   no value of a bucket is larger, and all of the next are
     */
    private function __construct(
        private readonly array $parts,
        private readonly array $counts,
        private readonly array $upTo,
        private readonly BucketPlaces $places,
        private readonly ?int $decimals,
    ) {
        $this->numbers = array_keys(array_filter($counts, static fn(int $count): bool => $count > 0));
    }

    /** @param list<array<int, int>|array<int, float>> $parts values in any order within the places, without missing ones */
    public static function of(array $parts, BucketPlaces $places, ?int $decimals): self
    {
        [$counts, $upTo] = $places->counted($parts);

        return new self($parts, $counts, $upTo, $places, $decimals);
    }

    /**
     * The values of all of them.
     *
     * @param non-empty-list<self> $some of the same places
     */
    public static function together(array $some): self
    {
        $counts = $upTo = [];
        foreach (array_keys($some[0]->counts) as $number) {
            $counts[] = array_sum(array_map(static fn(self $buckets): int => $buckets->counts[$number], $some));
            $upTo[] = max(array_map(static fn(self $buckets): int|float => $buckets->upTo[$number], $some));
        }

        return new self(array_merge(...array_map(static fn(self $buckets): array => $buckets->parts, $some)), $counts, $upTo, $some[0]->places, $some[0]->decimals);
    }

    public function sizes(): array
    {
        return array_map(fn(int $number): int => $this->counts[$number], $this->numbers);
    }

    public function highest(): array
    {
        return array_map(fn(int $number): int|float => $this->upTo[$number], $this->numbers);
    }

    public function bucket(int $index): ValueCounts
    {
        $number = $this->numbers[$index];
        if (!isset($this->ordered[$number])) {
            $this->prefetch([$index]);
            $this->ordered[$number] = $this->put($this->found[$number]);
            unset($this->found[$number]);
        }

        return $this->ordered[$number];
    }

    public function unordered(): iterable
    {
        foreach ($this->parts as $values) {
            yield [$values, null];
        }
    }

    public function prefetch(array $indexes): void
    {
        $numbers = array_filter(array_map(fn(int $index): int => $this->numbers[$index], $indexes), fn(int $number): bool => !isset($this->found[$number]) && !isset($this->ordered[$number]));
        if ($numbers === []) {
            return;
        }
        if (++$this->passes > self::PASSES) {
            $numbers = array_filter($this->numbers, fn(int $number): bool => !isset($this->found[$number]) && !isset($this->ordered[$number]));
        }
        $this->found += $this->places->sifted($this->parts, array_values($numbers));
    }

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
