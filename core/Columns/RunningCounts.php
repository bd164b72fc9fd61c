<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use RowTally\Core\Values\ValueCounts;

/** How often each number occurs in a column that is being packed: by byte code at first, later by scaled integer. Cost: the distinct values of each chunk. */
final class RunningCounts
{
    /** @var array<int, int>|null null = too many to be counted on the way, or doubles */
    private ?array $counts = [];

    public function stop(): void
    {
        $this->counts = null;
    }

    public function add(Chunk $chunk): void
    {
        if ($this->counts === null) {
            return;
        }
        if ($chunk->encoding === ChunkEncoding::Codes) {
            foreach (count_chars($chunk->payload, 1) as $code => $count) {
                if ($code > 0) {
                    $this->counts[$code] = ($this->counts[$code] ?? 0) + $count;
                }
            }

            return;
        }
        $mark = $chunk->encoding->missingInteger();
        foreach (array_count_values($chunk->integers()) as $value => $count) {
            if ($value !== $mark) {
                $this->counts[$value] = ($this->counts[$value] ?? 0) + $count;
            }
        }
    }

    /** @param list<int> $integers what byte code 1, 2, … stand for from now on */
    public function decode(array $integers): void
    {
        if ($this->counts !== null) {
            $decoded = [];
            foreach ($this->counts as $code => $count) {
                $decoded[$integers[$code - 1]] = $count;
            }
            $this->counts = $decoded;
        }
    }

    public function rescale(int $factor): void
    {
        if ($this->counts !== null) {
            $scaled = [];
            foreach ($this->counts as $value => $count) {
                $scaled[$value * $factor] = $count;
            }
            $this->counts = $scaled;
        }
    }

    /** @param list<int>|null $integers what the byte codes stand for; null = they are integers already */
    public function valueCounts(?array $integers, int $decimals): ?ValueCounts
    {
        $decoded = clone $this;
        if ($integers !== null) {
            $decoded->decode($integers);
        }

        return $decoded->counts === null ? null : ValueCounts::ofCountedIntegers($decoded->counts, $decimals);
    }
}
