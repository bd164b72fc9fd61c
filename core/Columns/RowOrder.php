<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use RowTally\Core\Values\Packed;

/**
 * Puts any number of rows in the order of whole-number keys without holding them one by one: rows are dealt into at most 16,384 buckets by the
 * leading bits of their key, and each bucket is put in order by itself. Equal keys keep the order in which they were added, whichever way
 * the order goes; rows without a key come last.
 *
 * Cost  O(rows) to deal, O(b log b) for each bucket of b rows that has more than one key; 12 bytes a row, and 4 where a bucket is one key.
 * Source  bucket sort with the leading bits, as in Knuth, The Art of Computer Programming 3, 5.2.5.
 */
final class RowOrder
{
    private const MOST_BUCKETS = 1 << 14;
    /** So many rows are put in order at once. */
    private const AT_ONCE = 1 << 16;
    private const PACKED_AT_ONCE = 1 << 17;

    private readonly int $shift;
    /** @var array<int, string> 4 bytes a row, by the leading bits of the key */
    private array $rows = [];
    /** @var array<int, string> 8 bytes a row; none where a bucket is one key */
    private array $keys = [];
    private string $without = '';
    /** @var array<int, array<int, int>> keys by row that are still to be packed, by bucket */
    private array $waiting = [];
    private int $waitingRows = 0;
    private int $added = 0;

    /** @param int $lowest no key is below it, and none above $highest */
    public function __construct(int $lowest, int $highest, private readonly bool $isDescending)
    {
        $shift = 0;
        while (($highest >> $shift) - ($lowest >> $shift) >= self::MOST_BUCKETS) {
            ++$shift;
        }
        $this->shift = $shift;
    }

    /**
     * Keys in the order of doubles: the numbers that their bits make, those of negative ones turned round. Zero has one key.
     *
     * @param array<int, float> $doubles no NaN
     *
     * @return array<int, int>
     */
    public static function keysOf(array $doubles): array
    {
        $places = array_keys($doubles);
        $keys = [];
        foreach ($doubles === [] ? [] : Packed::integers('q*', pack('e*', ...$doubles)) as $i => $bits) {
            $key = $bits < 0 ? $bits ^ PHP_INT_MAX : $bits;
            $keys[$places[$i - 1]] = $key === -1 ? 0 : $key;
        }

        return $keys;
    }

    /** @param array<int, int|null> $keys by row, from 0; null = without */
    public function add(array $keys): void
    {
        $shift = $this->shift;
        foreach ($keys as $row => $key) {
            if ($key === null) {
                $this->without .= pack('V', $row);
            } else {
                $this->waiting[$key >> $shift][$row] = $key;
            }
        }
        $this->waitingRows += count($keys);
        $this->added += count($keys);
        if ($this->waitingRows >= self::PACKED_AT_ONCE) {
            $this->pack();
        }
    }

    /** How many were added. */
    public function rows(): int
    {
        return $this->added;
    }

    private function pack(): void
    {
        foreach ($this->waiting as $bucket => $keys) {
            $this->rows[$bucket] ??= '';
            // Grown in place: put together anew, a bucket would be copied each time.
            $this->rows[$bucket] .= Packed::bytes('V*', array_keys($keys));
            if ($this->shift > 0) {
                $this->keys[$bucket] ??= '';
                $this->keys[$bucket] .= Packed::bytes('q*', array_values($keys));
            }
        }
        $this->waiting = [];
        $this->waitingRows = 0;
    }

    /** @return iterable<string> the rows in order, 4 bytes each, in pieces; nothing is held afterwards */
    public function pieces(): iterable
    {
        $this->pack();
        $this->isDescending ? krsort($this->rows) : ksort($this->rows);
        foreach (array_keys($this->rows) as $bucket) {
            $rows = $this->rows[$bucket];
            $keys = $this->keys[$bucket] ?? null;
            unset($this->rows[$bucket], $this->keys[$bucket]);
            if ($keys === null) {
                yield $rows;
            } else {
                yield from strlen($rows) <= 4 * self::AT_ONCE ? [$this->ordered($keys, $rows)] : $this->further($keys, $rows);
            }
        }
        yield $this->without;
        $this->without = '';
    }

    private function ordered(string $keys, string $rows): string
    {
        $order = Packed::integers('q*', $keys);
        // Not as numbers (SORT_NUMERIC), which would compare them as doubles: keys have up to 64 bits.
        $this->isDescending ? arsort($order) : asort($order);
        $numbers = Packed::integers('V*', $rows);

        return Packed::bytes('V*', array_map(static fn(int $place): int => $numbers[$place], array_keys($order)));
    }

    /** @return iterable<string> */
    private function further(string $keys, string $rows): iterable
    {
        $slices = static function () use ($keys, $rows): iterable {
            for ($at = 0, $count = intdiv(strlen($rows), 4); $at < $count; $at += self::AT_ONCE) {
                $some = min(self::AT_ONCE, $count - $at);
                yield array_combine(Packed::integers("V{$some}", $rows, 4 * $at), Packed::integers("q{$some}", $keys, 8 * $at));
            }
        };
        [$lowest, $highest] = [PHP_INT_MAX, PHP_INT_MIN];
        foreach ($slices() as $slice) {
            $lowest = min($lowest, ...$slice);
            $highest = max($highest, ...$slice);
        }
        if ($lowest === $highest) {
            return [$rows];
        }
        $finer = new self($lowest, $highest, $this->isDescending);
        foreach ($slices() as $slice) {
            $finer->add($slice);
        }

        return $finer->pieces();
    }
}
