<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

/**
 * How many of very many values lie below each of some hundred round numbers, so that counting classes between round edges looks into
 * no bucket. Only of decimals.
 *
 * Definition  the multiples of 1 or 5 times a power of ten that cut the range into `PARTS` parts, or up to five times as many. Whatever
 *             1, 2, 2.5 or 5 times a power of ten cuts it into fewer than a hundred, its multiples are among them.
 * Unit        values are whole numbers in the last decimal place.
 * Accuracy    exact.
 * Cost        O(1) a count; eight bytes a number.
 */
final class RoundCounts
{
    private const PARTS = 500;
    private const WORD = 8;

    private function __construct(
        private readonly int $step,
        /** The first of the numbers, in steps. */
        private readonly int $first,
        /** The counts, packed: of two thousand a few dozen are asked for. */
        private string $below = '',
        private int $n = 0,
    ) {}

    /** Of values that are to be added, all of them within a range; null where the range is more than a machine integer. */
    public static function over(int $lowest, int $highest): ?self
    {
        if ((float) $highest - (float) $lowest >= 2.0 ** 62) {
            return null;
        }
        $widest = intdiv($highest - $lowest, self::PARTS);
        $step = 1;
        for ($factor = 5; $widest >= $factor * $step; $factor = $factor === 5 ? 2 : 5) {
            $step *= $factor;
        }

        return new self($step, self::floor($lowest, $step));
    }

    /**
     * @param list<int> $values the next distinct ones, ascending
     * @param list<int> $counts how often each occurs
     */
    public function add(array $values, array $counts): void
    {
        $next = $this->step * ($this->first + intdiv(strlen($this->below), self::WORD));
        if ($values === [] || $values[count($values) - 1] < $next) {
            $this->n += array_sum($counts);

            return;
        }
        foreach ($values as $i => $value) {
            for (; $value >= $next; $next += $this->step) {
                $this->below .= pack('q', $this->n);
            }
            $this->n += $counts[$i];
        }
    }

    /** How many values are smaller than a number; null where it is none of the round ones, or none from the lowest to the highest value. */
    public function below(int $number): ?int
    {
        $at = self::WORD * (intdiv($number, $this->step) - $this->first);

        return $number % $this->step !== 0 || $at < 0 || $at >= strlen($this->below) ? null : Packed::integers('q', $this->below, $at)[1];
    }

    /**
     * The same after a few values have gone and a few have come.
     *
     * @param array<int, int> $removed value => how many of it
     * @param array<int, int> $added
     */
    public function changed(array $removed, array $added): self
    {
        $more = [];
        foreach ([[$removed, -1], [$added, 1]] as [$changes, $sign]) {
            foreach ($changes as $value => $count) {
                // It counts from the first number above it.
                $place = max(0, self::floor($value, $this->step) + 1 - $this->first);
                $more[$place] = ($more[$place] ?? 0) + $sign * $count;
            }
        }
        $below = '';
        $sum = 0;
        foreach (array_values(Packed::integers('q*', $this->below)) as $place => $count) {
            $sum += $more[$place] ?? 0;
            $below .= pack('q', $count + $sum);
        }

        return new self($this->step, $this->first, $below, $this->n + array_sum($added) - array_sum($removed));
    }

    public static function fromBytes(string $bytes): self
    {
        [1 => $step, 2 => $first] = Packed::integers('q2', $bytes);

        return new self($step, $first, substr($bytes, 2 * self::WORD));
    }

    public function toBytes(): string
    {
        return pack('q2', $this->step, $this->first) . $this->below;
    }

    private static function floor(int $value, int $step): int
    {
        return intdiv($value, $step) - ($value < 0 && $value % $step !== 0 ? 1 : 0);
    }
}
