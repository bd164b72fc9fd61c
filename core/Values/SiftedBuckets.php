<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

/**
 * Very many values in memory, in the order in which they came: how many fall into each of some thousand buckets of one width is
 * counted, and those of a bucket are looked for when somebody looks into it.
 *
 * Cost  one pass to count, one for each set of buckets that is foreseen. Whoever looks into a bucket that was not, or walks
 *       through most of them, has the slab of a sixteenth that it is in sifted: one pass each, and memory for four at a time.
 */
final class SiftedBuckets implements Buckets
{
    private const SLABS = 16;
    private const SMALLEST_SLAB = 4096;
    private const SLABS_HELD = 4;
    /** A walk through all of them sifts so many values at once, at least. */
    private const WALKED_AT_ONCE = 1 << 18;
    private const IN_A_SLICE = 8192;
    private const MOST_IN_PIECES = 1 << 21;

    /** @var list<int> numbers of the buckets that hold anything, ascending */
    private readonly array $numbers;
    /** @var array<int, list<int>|list<float>> found and not in order yet, by the number of the bucket */
    private array $found = [];
    /** @var array<int, ValueCounts> by the number of the bucket */
    private array $ordered = [];
    /** @var list<int>|null which slab each bucket is in */
    private ?array $slabOf = null;
    /** @var array<int, array<int, list<int>|list<float>>> slabs that were looked into last, each by the numbers of its buckets */
    private array $slabs = [];
    private bool $isWalkedThrough = false;

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
        if (isset($this->ordered[$number])) {
            return $this->ordered[$number];
        }
        $ordered = $this->put($this->found[$number] ?? $this->slab($index)[$number]);
        unset($this->found[$number]);
        // Of a walk through all of them none is kept: together they would take as much memory as the values.
        if (!$this->isWalkedThrough) {
            $this->ordered[$number] = $ordered;
        }

        return $ordered;
    }

    /** @return array<int, list<int>|list<float>> the buckets of the slab that a bucket is in, by their numbers */
    private function slab(int $index): array
    {
        $this->slabOf ??= $this->cutIntoSlabs(self::SMALLEST_SLAB);
        $slab = $this->slabOf[$index];
        if (!isset($this->slabs[$slab])) {
            if (count($this->slabs) >= self::SLABS_HELD) {
                unset($this->slabs[array_key_first($this->slabs)]);
            }
            $numbers = array_map(fn(int $index): int => $this->numbers[$index], array_keys($this->slabOf, $slab, true));
            $this->slabs[$slab] = $this->places->sifted($this->parts, $numbers);
        }

        return $this->slabs[$slab];
    }

    /** @return list<int> by bucket: about as many values in each slab, which is one bucket at least */
    private function cutIntoSlabs(int $smallest): array
    {
        $most = max($smallest, intdiv(array_sum($this->counts), self::SLABS));
        $slabs = [];
        $slab = $values = 0;
        foreach ($this->numbers as $number) {
            if ($values >= $most) {
                ++$slab;
                $values = 0;
            }
            $slabs[] = $slab;
            $values += $this->counts[$number];
        }

        return $slabs;
    }

    public function ascending(): iterable
    {
        $buckets = [];
        $held = 0;
        foreach ($this->inOrder() as $values) {
            $buckets[] = $values;
            $held += count($values);
            if ($held >= self::IN_A_SLICE) {
                yield from self::slices($buckets);
                $buckets = [];
                $held = 0;
            }
        }
        if ($held > 0) {
            yield from self::slices($buckets);
        }
    }

    /**
     * @param list<list<int>|list<float>> $buckets ascending, one after the other
     *
     * @return iterable<array{list<int>|list<float>, list<int>}>
     */
    private static function slices(array $buckets): iterable
    {
        [$values, $counts] = Runs::of(array_merge(...$buckets));
        // One bucket may hold most of all.
        foreach (array_chunk($values, 2 * self::IN_A_SLICE) as $i => $some) {
            yield [$some, array_slice($counts, 2 * self::IN_A_SLICE * $i, count($some))];
        }
    }

    /** @return iterable<list<int>|list<float>> the values of each bucket, ascending; none of them is kept */
    private function inOrder(): iterable
    {
        $slabOf = $this->cutIntoSlabs(self::WALKED_AT_ONCE);
        for ($slab = 0, $first = 0; $first < count($slabOf); ++$slab) {
            $numbers = [];
            for (; $first < count($slabOf) && $slabOf[$first] === $slab; ++$first) {
                $numbers[] = $this->numbers[$first];
            }
            foreach ($this->places->sifted($this->parts, $numbers) as $values) {
                sort($values);
                yield $values;
            }
        }
    }

    public function unordered(): iterable
    {
        foreach ($this->parts as $values) {
            yield [$values, null];
        }
    }

    /**
     * All of them, ascending: bucket after bucket takes two thirds of the time of all in one piece, and twice the memory for a while.
     *
     * @return list<int>|list<float>
     */
    public function sorted(): array
    {
        if (array_sum($this->counts) > self::MOST_IN_PIECES) {
            $all = array_merge(...$this->parts);
            sort($all);

            return $all;
        }

        return array_merge(...iterator_to_array($this->inOrder(), false));
    }

    public function prefetch(array $indexes): void
    {
        $numbers = $values = [];
        foreach ($indexes as $index) {
            $number = $this->numbers[$index];
            if (!isset($this->found[$number]) && !isset($this->ordered[$number])) {
                $numbers[] = $number;
                $values[] = $this->counts[$number];
            }
        }
        if (array_sum($values) > max(self::SMALLEST_SLAB, intdiv(array_sum($this->counts), self::SLABS_HELD))) {
            // Of most values nothing is foreseen: they come slab by slab.
            $this->isWalkedThrough = true;
        } elseif ($numbers !== []) {
            $this->found += $this->places->sifted($this->parts, $numbers);
        }
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
