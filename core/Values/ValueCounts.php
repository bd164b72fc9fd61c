<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use RowTally\Core\Exception\InvalidInput;

/**
 * Ordered values held in memory as distinct values with counts: whole numbers over one power of ten, or doubles.
 *
 * Cost  quantiles and counts are binary searches, O(log distinct); the sums are one pass over the distinct values.
 */
final readonly class ValueCounts implements OrderedValues
{
    /**
     * @param list<int>|list<float> $values   ascending, no two equal; unscaled integers, or doubles when $decimals is null
     * @param list<int>             $counts   1 or more each
     * @param list<int>             $upTo     running sums of $counts
     */
    private function __construct(
        private array $values,
        private array $counts,
        private array $upTo,
        private ?int $decimals,
    ) {}

    /**
     * @param list<int> $values unscaled: each stands for value / 10^$decimals; ascending, no two equal
     * @param list<int> $counts 1 or more each
     */
    public static function ofIntegers(array $values, array $counts, int $decimals): self
    {
        return new self($values, $counts, self::runningSums($counts), $decimals);
    }

    /**
     * @param list<float> $values ascending, no two equal
     * @param list<int>   $counts 1 or more each
     */
    public static function ofDoubles(array $values, array $counts): self
    {
        return new self($values, $counts, self::runningSums($counts), null);
    }

    /**
     * @param array<int, int> $counts unscaled value => how often; zero counts are passed over
     */
    public static function ofCountedIntegers(array $counts, int $decimals): self
    {
        $counts = array_filter($counts);
        ksort($counts);

        return self::ofIntegers(array_keys($counts), array_values($counts), $decimals);
    }

    /**
     * @param list<int> $values unscaled, in any order, repeats allowed
     */
    public static function ofUnorderedIntegers(array $values, int $decimals): self
    {
        sort($values);
        [$distinct, $counts] = self::runs($values);

        return self::ofIntegers($distinct, $counts, $decimals);
    }

    /**
     * @param list<float> $values finite, in any order, repeats allowed
     */
    public static function ofUnorderedDoubles(array $values): self
    {
        sort($values);
        [$distinct, $counts] = self::runs($values);

        return self::ofDoubles($distinct, $counts);
    }

    public function n(): int
    {
        return $this->upTo === [] ? 0 : $this->upTo[count($this->upTo) - 1];
    }

    public function decimals(): ?int
    {
        return $this->decimals;
    }

    public function distinct(): int
    {
        return count($this->values);
    }

    public function at(int $rank): BigDecimal
    {
        return $this->decimal($this->indexOfRank($rank));
    }

    public function countBelow(BigRational $bound): int
    {
        return $this->countBefore($this->firstIndexAtLeast($bound, false));
    }

    public function countUpTo(BigRational $bound): int
    {
        return $this->countBefore($this->firstIndexAtLeast($bound, true));
    }

    public function between(int $fromRank, int $toRank): array
    {
        if ($fromRank > $toRank) {
            return [];
        }
        $found = [];
        $first = $this->indexOfRank($fromRank);
        $last = $this->indexOfRank($toRank);
        for ($i = $first; $i <= $last; ++$i) {
            $found[] = [
                'value' => $this->decimal($i),
                'count' => min($toRank, $this->upTo[$i]) - max($fromRank - 1, $this->countBefore($i)),
            ];
        }

        return $found;
    }

    public function powerSums(): PowerSums
    {
        if ($this->decimals === null) {
            /** @var list<float> $doubles */
            $doubles = $this->values;

            return PowerSums::ofDoubles($doubles, $this->counts);
        }
        /** @var list<int> $integers */
        $integers = $this->values;

        return PowerSums::ofIntegers($integers, $this->counts, $this->decimals);
    }

    /** @return list<int>|list<float> the distinct values as held, for packing: unscaled integers, or doubles */
    public function values(): array
    {
        return $this->values;
    }

    /** @return list<int> */
    public function counts(): array
    {
        return $this->counts;
    }

    private function decimal(int $index): BigDecimal
    {
        $value = $this->values[$index];

        return is_int($value)
            ? BigDecimal::ofUnscaledValue($value, $this->decimals ?? 0)
            : BigDecimal::of(Exact::shortestText($value));
    }

    private function countBefore(int $index): int
    {
        return $index === 0 ? 0 : $this->upTo[$index - 1];
    }

    private function indexOfRank(int $rank): int
    {
        if ($rank < 1 || $rank > $this->n()) {
            throw InvalidInput::rankOutside($rank, $this->n());
        }
        $low = 0;
        $high = count($this->upTo) - 1;
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($this->upTo[$middle] >= $rank) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }

        return $low;
    }

    /** The first index whose value is at least the bound or, if $beyond, greater than it. */
    private function firstIndexAtLeast(BigRational $bound, bool $beyond): int
    {
        if ($this->decimals !== null) {
            // Whole numbers can be searched as they are once the bound is brought to their scale.
            $scaled = $bound->multipliedBy(10 ** $this->decimals)->toScale(0, $beyond ? RoundingMode::FLOOR : RoundingMode::CEILING);
            $clamped = $scaled->isGreaterThan(PHP_INT_MAX - 1) ? PHP_INT_MAX - 1 : ($scaled->isLessThan(PHP_INT_MIN) ? PHP_INT_MIN : $scaled->toInt());
            $threshold = $beyond ? $clamped + 1 : $clamped;

            return $this->search(fn (int $i): bool => $this->values[$i] >= $threshold);
        }

        return $this->search(function (int $i) use ($bound, $beyond): bool {
            $order = $this->decimal($i)->compareTo($bound);

            return $beyond ? $order > 0 : $order >= 0;
        });
    }

    /** @param callable(int): bool $isAtOrBeyond false up to some index, true from there on */
    private function search(callable $isAtOrBeyond): int
    {
        $low = 0;
        $high = count($this->values);
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($isAtOrBeyond($middle)) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }

        return $low;
    }

    /**
     * @param list<int> $counts
     *
     * @return list<int>
     */
    private static function runningSums(array $counts): array
    {
        $sum = 0;
        $sums = [];
        foreach ($counts as $count) {
            $sums[] = $sum += $count;
        }

        return $sums;
    }

    /**
     * @template T of int|float
     *
     * @param list<T> $sorted
     *
     * @return array{list<T>, list<int>}
     */
    private static function runs(array $sorted): array
    {
        $values = [];
        $counts = [];
        $run = 0;
        $current = null;
        foreach ($sorted as $value) {
            if ($run > 0 && $value === $current) {
                ++$run;
                continue;
            }
            if ($current !== null) {
                $values[] = $current;
                $counts[] = $run;
            }
            $current = $value;
            $run = 1;
        }
        if ($current !== null) {
            $values[] = $current;
            $counts[] = $run;
        }

        return [$values, $counts];
    }
}
