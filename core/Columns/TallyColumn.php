<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use Closure;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\BucketPlaces;
use RowTally\Core\Values\Buckets;
use RowTally\Core\Values\Packed;
use RowTally\Core\Values\PowerSums;
use RowTally\Core\Values\SiftedBuckets;
use RowTally\Core\Values\ValueCounts;

/**
 * Turns a number column into ordered values with counts, whole or by group.
 *
 * Four shapes, one answer: byte codes are counted as bytes; integers within a small range are counted in a dense array; of all
 * else few rows are sorted, and many are put into buckets, each of which is sorted when somebody looks into it.
 *
 * Cost  O(rows), with memory for the range or for the values.
 */
final class TallyColumn
{
    /** Up to this many counts in a dense array: 64 MB of memory. */
    private const DENSE_COUNTS = 1 << 22;
    /** Up to so many rows are sorted as they are; beyond, values are put into buckets. */
    private const SORTED_AT_ONCE = 65_536;
    private const BUCKETS = 8192;
    private const FEWEST_BUCKETS = 64;

    /** @param (Closure(int, int): void)|null $told as `byGroupAndAll()` takes it */
    public static function whole(NumberColumn $column, ?Closure $told = null): Observations
    {
        return self::byGroup($column, Grouping::none(), $told)[0];
    }

    /**
     * @param (Closure(int, int): void)|null $told as `byGroupAndAll()` takes it
     *
     * @return list<Observations> one for each group
     */
    public static function byGroup(NumberColumn $column, Grouping $grouping, ?Closure $told = null): array
    {
        return self::counted($column, $grouping, $told)[0];
    }

    /**
     * The groups, and all rows together where those come of the same pass: of values in buckets.
     *
     * @param (Closure(int, int): void)|null $told between chunks how many of how many are counted; what it throws gives it up
     *
     * @return array{list<Observations>, Observations|null}
     */
    public static function byGroupAndAll(NumberColumn $column, Grouping $grouping, ?Closure $told = null): array
    {
        [$observations, $inBuckets, $missing] = self::counted($column, $grouping, $told);

        return [$observations, $inBuckets === [] ? null : new Observations(self::together($inBuckets), $missing)];
    }

    /**
     * @param (Closure(int, int): void)|null $told
     *
     * @return array{list<Observations>, list<BucketedValues>, int} one for each group, those of every row if they are in buckets, and how many rows are missing
     */
    private static function counted(NumberColumn $column, Grouping $grouping, ?Closure $told): array
    {
        $chunks = is_array($column->chunks) ? $column->chunks : iterator_to_array($column->chunks, false);
        // One more for the rows that are left out; what is counted of them is thrown away.
        $shape = new self($column, $chunks, $grouping, $grouping->groups + ($grouping->isWhole() ? 0 : 1), $told);
        $inBuckets = [];
        $tallies = match (true) {
            $column->decimals !== null && $shape->onlyCodes() => $shape->countedCodes(),
            $column->decimals !== null && $shape->denseSpan() !== null => $shape->countedDensely(...$shape->denseSpan()),
            $shape->isLarge() => $inBuckets = $shape->inBuckets(),
            $column->decimals === null => $shape->sortedDoubles(),
            default => $shape->sortedIntegers(),
        };
        $rows = $shape->rowsByGroup();
        $observations = [];
        for ($group = 0; $group < $grouping->groups; ++$group) {
            $observations[] = new Observations($tallies[$group], $rows[$group] - $tallies[$group]->n());
        }

        return [$observations, $inBuckets, array_sum(array_map(static fn(Chunk $chunk): int => $chunk->missing, $chunks))];
    }

    /** @param list<BucketedValues> $groups those of every row, at least one */
    private static function together(array $groups): BucketedValues
    {
        $sums = $groups[0]->powerSums();
        foreach (array_slice($groups, 1) as $group) {
            $sums = $sums->plus($group->powerSums());
        }
        /** @var non-empty-list<SiftedBuckets> $buckets */
        $buckets = array_map(static fn(BucketedValues $group): Buckets => $group->buckets, $groups);

        return count($groups) === 1 ? $groups[0] : new BucketedValues(SiftedBuckets::together($buckets), $groups[0]->decimals(), $sums);
    }

    /** @param array<Chunk> $chunks */
    private function __construct(
        private readonly NumberColumn $column,
        private readonly array $chunks,
        private readonly Grouping $grouping,
        private readonly int $groups,
        private readonly ?Closure $told,
    ) {}

    /** @return iterable<int, Chunk> told of as they are taken */
    private function taken(): iterable
    {
        $done = 0;
        foreach ($this->chunks as $i => $chunk) {
            if ($this->told !== null) {
                ($this->told)($done++, count($this->chunks));
            }
            yield $i => $chunk;
        }
    }

    /** @return list<int> how many rows each group has */
    private function rowsByGroup(): array
    {
        $rows = array_fill(0, $this->groups, 0);
        foreach ($this->chunks as $i => $chunk) {
            if ($this->grouping->isWhole()) {
                $rows[0] += $chunk->rows;
                continue;
            }
            $bytes = $this->grouping->bytes($i);
            foreach ($bytes === null ? array_count_values($this->grouping->codes($i)) : count_chars($bytes, 1) as $code => $count) {
                $rows[$code] += $count;
            }
        }

        return array_values($rows);
    }

    private function onlyCodes(): bool
    {
        foreach ($this->chunks as $chunk) {
            if ($chunk->encoding !== ChunkEncoding::Codes) {
                return false;
            }
        }

        return true;
    }

    /** @return list<ValueCounts> */
    private function countedCodes(): array
    {
        $pairs = array_fill(0, $this->groups << 8, 0);
        foreach ($this->taken() as $i => $chunk) {
            if ($this->grouping->isWhole()) {
                foreach (count_chars($chunk->payload, 1) as $code => $count) {
                    $pairs[$code] += $count;
                }
            } else {
                $pairs = self::countPairs($pairs, $chunk->payload, $this->grouping->codes($i));
            }
        }
        $dictionary = $this->column->scaledDictionary();
        $tallies = [];
        for ($group = 0; $group < $this->groups; ++$group) {
            $counts = [];
            foreach ($dictionary as $i => $value) {
                $counts[$value] = $pairs[$group << 8 | $i + 1];
            }
            $tallies[] = ValueCounts::ofCountedIntegers($counts, $this->column->decimals ?? 0);
        }

        return $tallies;
    }

    /**
     * @param array<int, int> $pairs
     * @param array<int, int> $group
     *
     * @return array<int, int>
     */
    private static function countPairs(array $pairs, string $values, array $group): array
    {
        foreach (Packed::integers('C*', $values) as $i => $value) {
            ++$pairs[$group[$i] << 8 | $value];
        }

        return $pairs;
    }

    /** @return array{int, int}|null smallest value and span of values, where an array over all of them is small enough */
    private function denseSpan(): ?array
    {
        [$min, $max] = array_map(intval(...), $this->column->ends($this->chunks));
        // As doubles, for the difference of two integers may leave them.
        $span = (float) $max - (float) $min + 1.0;

        return $span * $this->groups <= self::DENSE_COUNTS ? [$min, $max - $min + 1] : null;
    }

    /** @return list<ValueCounts> */
    private function countedDensely(int $min, int $span): array
    {
        // Handed over as it is made, and counted in by one call for all chunks: handed over again with each, it would be copied each time.
        $dense = $this->grouping->isWhole()
            ? $this->countIntegers(array_fill(0, $span * $this->groups, 0), $min)
            : $this->countIntegersByGroup(array_fill(0, $span * $this->groups, 0), $min, $span);
        $tallies = [];
        for ($group = 0; $group < $this->groups; ++$group) {
            $values = [];
            $counts = [];
            $from = $group * $span;
            for ($offset = 0; $offset < $span; ++$offset) {
                if ($dense[$from + $offset] > 0) {
                    $values[] = $min + $offset;
                    $counts[] = $dense[$from + $offset];
                }
            }
            $tallies[] = ValueCounts::ofIntegers($values, $counts, $this->column->decimals ?? 0);
        }

        return $tallies;
    }

    /**
     * @param array<int, int> $dense
     *
     * @return array<int, int>
     */
    private function countIntegers(array $dense, int $min): array
    {
        $dictionary = $this->column->scaledDictionary();
        foreach ($this->taken() as $chunk) {
            if ($chunk->encoding === ChunkEncoding::Codes) {
                foreach (count_chars($chunk->payload, 1) as $code => $count) {
                    if ($code > 0) {
                        $dense[$dictionary[$code - 1] - $min] += $count;
                    }
                }
                continue;
            }
            $factor = $this->column->factor($chunk);
            $mark = $chunk->encoding->missingInteger();
            // Straight from the bytes: a list of the values without the missing ones would cost as much again.
            foreach ($chunk->integers() as $value) {
                if ($value !== $mark) {
                    ++$dense[$value * $factor - $min];
                }
            }
        }

        return $dense;
    }

    /**
     * @param array<int, int> $dense
     *
     * @return array<int, int>
     */
    private function countIntegersByGroup(array $dense, int $min, int $span): array
    {
        $dictionary = $this->column->scaledDictionary();
        foreach ($this->taken() as $place => $chunk) {
            $group = $this->grouping->codes($place);
            if ($chunk->encoding === ChunkEncoding::Codes) {
                foreach ($chunk->integers() as $i => $code) {
                    if ($code > 0) {
                        ++$dense[$group[$i] * $span + $dictionary[$code - 1] - $min];
                    }
                }
                continue;
            }
            $factor = $this->column->factor($chunk);
            $mark = $chunk->encoding->missingInteger();
            foreach ($chunk->integers() as $i => $value) {
                if ($value !== $mark) {
                    ++$dense[$group[$i] * $span + $value * $factor - $min];
                }
            }
        }

        return $dense;
    }

    private function isLarge(): bool
    {
        return array_sum(array_map(static fn(Chunk $chunk): int => $chunk->rows, $this->chunks)) > self::SORTED_AT_ONCE;
    }

    /** @return list<BucketedValues> */
    private function inBuckets(): array
    {
        [$min, $max] = $this->column->ends($this->chunks);
        [$low, $high] = Bulk::of($this->column, $this->chunks, $min, $max);
        $most = max(self::FEWEST_BUCKETS, intdiv(self::BUCKETS, $this->groups));
        $places = $this->column->decimals === null ? BucketPlaces::ofDoubles((float) $low, (float) $high, $most) : BucketPlaces::ofIntegers((int) $low, (int) $high, $most, (int) $max);
        $whole = $this->mergedSums();

        return array_map(
            fn(array $parts): BucketedValues => new BucketedValues(SiftedBuckets::of($parts, $places, $this->column->decimals), $this->column->decimals, $whole ?? $this->sumsOf($parts)),
            $this->parts(),
        );
    }

    /** @return list<list<array<int, int>|array<int, float>>> the values of each group, some at a time, without missing ones */
    private function parts(): array
    {
        return $this->grouping->isWhole() ? [$this->present()] : $this->presentByGroup();
    }

    /** @return list<array<int, int>|array<int, float>> the values of each chunk, without missing ones */
    private function present(): array
    {
        $present = [];
        foreach ($this->taken() as $chunk) {
            $present[] = $this->column->decimals === null ? $this->column->presentDoubles($chunk) : $this->column->presentIntegers($chunk);
        }

        return $present;
    }

    /** @return list<list<array<int, int>|array<int, float>>> the values of each group, a chunk's worth at a time, without missing ones */
    private function presentByGroup(): array
    {
        $present = $open = array_fill(0, $this->groups, []);
        foreach ($this->taken() as $i => $chunk) {
            $bytes = $this->grouping->bytes($i);
            if ($bytes === null) {
                $codes = $this->grouping->codes($i);
                foreach ($this->rows($chunk) as $row => $value) {
                    if ($value !== null) {
                        $open[$codes[$row]][] = $value;
                    }
                }
            } else {
                // Straight from the bytes, which takes half as long as a list of the codes.
                foreach ($this->rows($chunk) as $row => $value) {
                    if ($value !== null) {
                        $open[ord($bytes[$row - 1])][] = $value;
                    }
                }
            }
            foreach ($open as $group => $values) {
                if (count($values) >= Chunk::ROWS) {
                    $present[$group][] = $values;
                    $open[$group] = [];
                }
            }
        }
        foreach ($open as $group => $values) {
            $present[$group][] = $values;
        }

        return $present;
    }

    /** @return array<int, int|float|null> the rows of a chunk, keyed from 1 */
    private function rows(Chunk $chunk): array
    {
        return $this->column->decimals === null ? $this->column->doubles($chunk) : $this->column->integers($chunk);
    }

    /** @param list<array<int, int>|array<int, float>> $parts */
    private function sumsOf(array $parts): PowerSums
    {
        $decimals = $this->column->decimals;
        $sums = $decimals === null ? PowerSums::ofDoubles([], null) : PowerSums::ofIntegers([], null, $decimals);
        foreach ($parts as $values) {
            if ($decimals === null) {
                /** @var array<int, float> $values */
                $sums = $sums->plus(PowerSums::ofDoubles($values, null));
            } else {
                /** @var array<int, int> $values */
                $sums = $sums->plus(PowerSums::ofIntegers($values, null, $decimals));
            }
        }

        return $sums;
    }

    /** @return list<ValueCounts> */
    private function sortedIntegers(): array
    {
        return array_map(function (array $parts): ValueCounts {
            /** @var list<int> $values */
            $values = array_merge(...$parts);

            return ValueCounts::ofUnorderedIntegers($values, $this->column->decimals ?? 0, $this->mergedSums());
        }, $this->parts());
    }

    /** @return list<ValueCounts> */
    private function sortedDoubles(): array
    {
        return array_map(function (array $parts): ValueCounts {
            /** @var list<float> $values */
            $values = array_merge(...$parts);

            return ValueCounts::ofUnorderedDoubles($values, $this->mergedSums());
        }, $this->parts());
    }

    /** The sums of the whole column from those of its chunks; null when groups need sums of their own, or a chunk has none that fit. */
    private function mergedSums(): ?PowerSums
    {
        $sum = null;
        foreach ($this->chunks as $chunk) {
            if (!$this->grouping->isWhole() || $chunk->powerSums === null || ($chunk->decimals === null) !== ($this->column->decimals === null)) {
                return null;
            }
            $sum = $sum === null ? $chunk->powerSums : $sum->plus($chunk->powerSums);
        }

        return $sum;
    }
}
