<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Values\Observations;
use RowTally\Core\Values\Packed;
use RowTally\Core\Values\PowerSums;
use RowTally\Core\Values\ValueCounts;

/**
 * Turns a number column into ordered values with counts, whole or by group.
 *
 * Three shapes, one answer: byte codes are counted as bytes; integers within a small range are counted in a dense array; all
 * else is gathered and sorted.
 *
 * Cost  O(rows) for the first two, with memory for the range; O(rows log rows) and memory for the values for the third.
 */
final class TallyColumn
{
    /** Up to this many counts in a dense array: 64 MB of memory. */
    private const DENSE_COUNTS = 1 << 22;

    public static function whole(NumberColumn $column): Observations
    {
        return self::byGroup($column, null, 0)[0];
    }

    /**
     * The observations of each group: entry 0 for the rows without a label, entry c for the label of byte code c.
     *
     * @param iterable<Chunk>|null $groups byte codes of the splitting column, cut at the same rows; null = no split, and all
     *                                     rows are entry 0
     * @param int                  $labels how many labels the splitting column has
     *
     * @return list<Observations> $labels + 1 entries
     *
     * @throws InvalidInput when the splitting column is not held as byte codes
     */
    public static function byGroup(NumberColumn $column, ?iterable $groups, int $labels): array
    {
        $chunks = is_array($column->chunks) ? $column->chunks : iterator_to_array($column->chunks, false);
        $codes = $groups === null ? null : self::groupCodes($groups);
        $shape = new self($column, $chunks, $codes, $labels + 1);
        $tallies = match (true) {
            $column->decimals === null => $shape->sortedDoubles(),
            $shape->onlyCodes() => $shape->countedCodes(),
            $shape->denseSpan() !== null => $shape->countedDensely(...$shape->denseSpan()),
            default => $shape->sortedIntegers(),
        };
        $rows = $shape->rowsByGroup();

        return array_map(
            static fn(ValueCounts $values, int $group): Observations => new Observations($values, $rows[$group] - $values->n()),
            $tallies,
            array_keys($tallies),
        );
    }

    /**
     * @param array<Chunk>      $chunks
     * @param list<string>|null $codes
     */
    private function __construct(
        private readonly NumberColumn $column,
        private readonly array $chunks,
        private readonly ?array $codes,
        private readonly int $groups,
    ) {}

    /**
     * @param iterable<Chunk> $groups
     *
     * @return list<string>
     */
    private static function groupCodes(iterable $groups): array
    {
        $codes = [];
        foreach ($groups as $chunk) {
            if ($chunk->encoding !== ChunkEncoding::Codes) {
                throw InvalidInput::notEncodable('groups');
            }
            $codes[] = $chunk->payload;
        }

        return $codes;
    }

    /** @return list<int> how many rows each group has */
    private function rowsByGroup(): array
    {
        $rows = array_fill(0, $this->groups, 0);
        foreach ($this->chunks as $i => $chunk) {
            if ($this->codes === null) {
                $rows[0] += $chunk->rows;
                continue;
            }
            foreach (count_chars($this->codes[$i], 1) as $code => $count) {
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
        foreach ($this->chunks as $i => $chunk) {
            if ($this->codes === null) {
                foreach (count_chars($chunk->payload, 1) as $code => $count) {
                    $pairs[$code] += $count;
                }
            } else {
                $pairs = self::countPairs($pairs, $chunk->payload, $this->codes[$i]);
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
     *
     * @return array<int, int>
     */
    private static function countPairs(array $pairs, string $values, string $groups): array
    {
        $group = Packed::integers('C*', $groups);
        foreach (Packed::integers('C*', $values) as $i => $value) {
            ++$pairs[$group[$i] << 8 | $value];
        }

        return $pairs;
    }

    /** @return array{int, int}|null smallest value and span of values, where an array over all of them is small enough */
    private function denseSpan(): ?array
    {
        $decimals = $this->column->decimals ?? 0;
        $min = PHP_INT_MAX;
        $max = PHP_INT_MIN;
        foreach ($this->chunks as $chunk) {
            if ($chunk->min !== null && $chunk->max !== null) {
                $factor = 10 ** ($decimals - ($chunk->decimals ?? 0));
                $min = min($min, (int) $chunk->min * $factor);
                $max = max($max, (int) $chunk->max * $factor);
            }
        }
        if ($min > $max) {
            return [0, 1];
        }
        // As doubles, for the difference of two integers may leave them.
        $span = (float) $max - (float) $min + 1.0;

        return $span * $this->groups <= self::DENSE_COUNTS ? [$min, $max - $min + 1] : null;
    }

    /** @return list<ValueCounts> */
    private function countedDensely(int $min, int $span): array
    {
        $dense = array_fill(0, $span * $this->groups, 0);
        foreach ($this->chunks as $i => $chunk) {
            $integers = $this->integers($chunk);
            $dense = $this->codes === null
                ? self::countIntegers($dense, $integers, $min)
                : self::countIntegersByGroup($dense, $integers, $min, $span, $this->codes[$i]);
        }
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
     * @param array<int, int>      $dense
     * @param array<int, int|null> $integers
     *
     * @return array<int, int>
     */
    private static function countIntegers(array $dense, array $integers, int $min): array
    {
        foreach ($integers as $value) {
            if ($value !== null) {
                ++$dense[$value - $min];
            }
        }

        return $dense;
    }

    /**
     * @param array<int, int>      $dense
     * @param array<int, int|null> $integers
     *
     * @return array<int, int>
     */
    private static function countIntegersByGroup(array $dense, array $integers, int $min, int $span, string $groups): array
    {
        $group = Packed::integers('C*', $groups);
        foreach ($integers as $i => $value) {
            if ($value !== null) {
                ++$dense[$group[$i] * $span + $value - $min];
            }
        }

        return $dense;
    }

    /** @return list<ValueCounts> */
    private function sortedIntegers(): array
    {
        return array_map(
            fn(array $values): ValueCounts => ValueCounts::ofUnorderedIntegers($values, $this->column->decimals ?? 0, $this->mergedSums()),
            $this->gathered($this->integers(...)),
        );
    }

    /** @return list<ValueCounts> */
    private function sortedDoubles(): array
    {
        return array_map(
            fn(array $values): ValueCounts => ValueCounts::ofUnorderedDoubles($values, $this->mergedSums()),
            $this->gathered($this->doubles(...)),
        );
    }

    /** The sums of the whole column from those of its chunks; null when groups need sums of their own, or a chunk has none that fit. */
    private function mergedSums(): ?PowerSums
    {
        $sum = null;
        foreach ($this->chunks as $chunk) {
            if ($this->codes !== null || $chunk->powerSums === null || ($chunk->decimals === null) !== ($this->column->decimals === null)) {
                return null;
            }
            $sum = $sum === null ? $chunk->powerSums : $sum->plus($chunk->powerSums);
        }

        return $sum;
    }

    /**
     * @template T of int|float
     *
     * @param callable(Chunk): array<int, T|null> $read the rows of a chunk, keyed from 1
     *
     * @return list<list<T>> the values by group
     */
    private function gathered(callable $read): array
    {
        $gathered = array_fill(0, $this->groups, []);
        foreach ($this->chunks as $i => $chunk) {
            $group = $this->codes === null ? null : Packed::integers('C*', $this->codes[$i]);
            foreach ($read($chunk) as $row => $value) {
                if ($value !== null) {
                    $gathered[$group === null ? 0 : $group[$row]][] = $value;
                }
            }
        }

        return $gathered;
    }

    /** @return array<int, int|null> keyed from 1, over the column's decimals; missing as null */
    private function integers(Chunk $chunk): array
    {
        $rows = $chunk->integers();
        $decimals = $this->column->decimals ?? 0;
        if ($chunk->encoding === ChunkEncoding::Codes) {
            $table = [null, ...$this->column->scaledDictionary()];

            return array_map(static fn(int $code): ?int => $table[$code], $rows);
        }
        $factor = 10 ** ($decimals - ($chunk->decimals ?? 0));
        if ($chunk->missing === 0 && $factor === 1) {
            return $rows;
        }
        $mark = $chunk->encoding->missingInteger();

        return array_map(static fn(int $value): ?int => $value === $mark ? null : (int) ($value * $factor), $rows);
    }

    /** @return array<int, float|null> keyed from 1; missing as null */
    private function doubles(Chunk $chunk): array
    {
        if ($chunk->encoding === ChunkEncoding::Float64) {
            return array_map(static fn(float $value): ?float => is_nan($value) ? null : $value, $chunk->doubles());
        }
        $rows = $chunk->integers();
        if ($chunk->encoding === ChunkEncoding::Codes) {
            $table = [null, ...$this->column->doubleDictionary()];

            return array_map(static fn(int $code): ?float => $table[$code], $rows);
        }
        $mark = $chunk->encoding->missingInteger();
        $decimals = $chunk->decimals ?? 0;

        return array_map(
            static fn(int $value): ?float => $value === $mark ? null : NumberColumn::toDouble($value, $decimals),
            $rows,
        );
    }
}
