<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use RowTally\Core\Exception\InvalidInput;

/**
 * Ordered values held as distinct values with running counts, packed eight bytes each: whole numbers over one power of ten, or
 * doubles. A million values take 16 MB, and can be stored and read back without unpacking any of them.
 *
 * Cost  quantiles and counts are binary searches, O(log distinct); the sums were taken when it was made.
 */
final class ValueCounts implements OrderedValues
{
    private const WORD = 8;
    private const SLICE = 8192;

    private function __construct(
        /** ascending, no two equal: unscaled integers, or doubles when $decimals is null */
        private readonly string $values,
        /** how many values there are up to and with each; '' where each occurs once */
        private readonly string $upTo,
        private readonly int $distinct,
        private readonly ?int $decimals,
        /** null = not known yet */
        private ?PowerSums $powerSums,
    ) {}

    /**
     * @param list<int>      $values    unscaled: each stands for value / 10^$decimals; ascending, no two equal
     * @param list<int>      $counts    1 or more each
     * @param PowerSums|null $powerSums where they are known already
     */
    public static function ofIntegers(array $values, array $counts, int $decimals, ?PowerSums $powerSums = null): self
    {
        return new self(
            Packed::bytes('q*', $values),
            self::upTo($counts),
            count($values),
            $decimals,
            $powerSums,
        );
    }

    /**
     * @param list<float>    $values    ascending, no two equal
     * @param list<int>      $counts    1 or more each
     * @param PowerSums|null $powerSums where they are known already
     */
    public static function ofDoubles(array $values, array $counts, ?PowerSums $powerSums = null): self
    {
        return new self(
            Packed::bytes('e*', $values),
            self::upTo($counts),
            count($values),
            null,
            $powerSums,
        );
    }

    /**
     * Of very many, packed as they come: never more of them is held than their bytes.
     *
     * @param iterable<array{list<int>|list<float>, list<int>}> $slices    as `slices()` gives them: values ascending, no two equal, and how often each occurs
     * @param int|null                                          $decimals  null = doubles
     * @param PowerSums|null                                    $powerSums where they are known already
     */
    public static function ofSlices(iterable $slices, ?int $decimals, ?PowerSums $powerSums = null): self
    {
        $values = $upTo = '';
        $n = $distinct = 0;
        foreach ($slices as [$some, $counts]) {
            $values .= Packed::bytes($decimals === null ? 'e*' : 'q*', $some);
            foreach (array_chunk($counts, self::SLICE) as $often) {
                $sums = [];
                foreach ($often as $count) {
                    $sums[] = $n += $count;
                }
                $upTo .= pack('q*', ...$sums);
            }
            $distinct += count($some);
        }

        return new self($values, $n === $distinct ? '' : $upTo, $distinct, $decimals, $powerSums);
    }

    /** @param list<int> $counts 1 or more each */
    private static function upTo(array $counts): string
    {
        return array_sum($counts) === count($counts) ? '' : Packed::bytes('q*', Runs::runningSums($counts));
    }

    /**
     * @param array<int, int> $counts unscaled value => how often; zero counts are passed over
     */
    public static function ofCountedIntegers(array $counts, int $decimals): self
    {
        $counts = array_filter($counts, static fn(int $count): bool => $count > 0);
        ksort($counts);

        return self::ofIntegers(array_keys($counts), array_values($counts), $decimals);
    }

    /**
     * @param list<int> $values unscaled, in any order, repeats allowed
     */
    public static function ofUnorderedIntegers(array $values, int $decimals, ?PowerSums $powerSums = null): self
    {
        sort($values);
        [$distinct, $counts] = Runs::of($values);

        return self::ofIntegers($distinct, $counts, $decimals, $powerSums);
    }

    /**
     * @param list<float> $values finite, in any order, repeats allowed
     */
    public static function ofUnorderedDoubles(array $values, ?PowerSums $powerSums = null): self
    {
        sort($values);
        [$distinct, $counts] = Runs::of($values);

        return self::ofDoubles($distinct, $counts, $powerSums);
    }

    /**
     * The same values but for a few; only for decimals.
     *
     * @param array<int, int> $removed unscaled value => how many of it go, never more than there are
     * @param array<int, int> $added   unscaled value => how many come
     *
     * Cost  one copy of what is packed; running counts behind the first change are reckoned anew.
     */
    public function changed(array $removed, array $added): self
    {
        $changes = $added;
        foreach ($removed as $value => $count) {
            $changes[$value] = ($changes[$value] ?? 0) - $count;
        }
        ksort($changes);
        $values = $upTo = '';
        $from = $shift = $fewer = 0;
        // What lies between two changed values is copied as it stands; only its running counts move.
        foreach ($changes as $value => $change) {
            $at = $this->firstAtLeast($this->values, $value);
            $isKnown = $at < $this->distinct && self::integer($this->values, $at) === $value;
            $values .= substr($this->values, self::WORD * $from, self::WORD * ($at - $from));
            $upTo .= $this->upToShifted($from, $at, $shift);
            $count = $change + ($isKnown ? $this->countBefore($at + 1) - $this->countBefore($at) : 0);
            if ($count > 0) {
                $values .= pack('q', $value);
                $upTo .= pack('q', $this->countBefore($at) + $shift + $count);
            }
            $fewer += ($isKnown ? 1 : 0) - ($count > 0 ? 1 : 0);
            $from = $at + ($isKnown ? 1 : 0);
            $shift += $change;
        }
        $decimals = $this->decimals ?? 0;

        return new self(
            $values . substr($this->values, self::WORD * $from),
            $upTo . $this->upToShifted($from, $this->distinct, $shift),
            $this->distinct - $fewer,
            $decimals,
            $this->powerSums()
                ->plus(PowerSums::ofIntegers(array_keys($added), array_values($added), $decimals))
                ->minus(PowerSums::ofIntegers(array_keys($removed), array_values($removed), $decimals)),
        );
    }

    /** Running counts from one place to before another, all of them so much larger. */
    private function upToShifted(int $from, int $to, int $shift): string
    {
        if ($from >= $to) {
            return '';
        }
        if ($this->upTo !== '' && $shift === 0) {
            return substr($this->upTo, self::WORD * $from, self::WORD * ($to - $from));
        }
        $shifted = '';
        for (; $from < $to; $from += self::SLICE) {
            $number = min(self::SLICE, $to - $from);
            $upTo = $this->upTo === '' ? range($from + 1, $from + $number) : Packed::integers("q{$number}", $this->upTo, self::WORD * $from);
            foreach ($upTo as $i => $sum) {
                $upTo[$i] = $sum + $shift;
            }
            $shifted .= pack('q*', ...$upTo);
        }

        return $shifted;
    }

    /** Back from `toBytes()`. */
    public static function fromBytes(string $bytes, ?int $decimals): self
    {
        [1 => $distinct, 2 => $sumLength, 3 => $squaresLength] = Packed::integers('q3', $bytes);
        $words = self::WORD * $distinct;
        $at = 3 * self::WORD;
        $upTo = substr($bytes, $at + $words, $words);
        $sums = $at + 2 * $words;

        return new self(
            substr($bytes, $at, $words),
            $upTo,
            $distinct,
            $decimals,
            PowerSums::fromTexts(
                $upTo === '' ? 0 : self::integer($upTo, $distinct - 1),
                substr($bytes, $sums, $sumLength),
                substr($bytes, $sums + $sumLength, $squaresLength),
                $decimals,
            ),
        );
    }

    /** For the store: number of distinct values and lengths of the sums' texts, the values, the running counts, the texts. */
    public function toBytes(): string
    {
        $sums = $this->powerSums()->toTexts();
        $upTo = $this->upTo === '' && $this->distinct > 0 ? Packed::bytes('q*', range(1, $this->distinct)) : $this->upTo;

        return pack('q3', $this->distinct, strlen($sums['sum']), strlen($sums['squares']))
            . $this->values . $upTo . $sums['sum'] . $sums['squares'];
    }

    public function n(): int
    {
        return $this->countBefore($this->distinct);
    }

    public function decimals(): ?int
    {
        return $this->decimals;
    }

    public function distinct(): int
    {
        return $this->distinct;
    }

    public function unorderedSlices(): iterable
    {
        return $this->slices();
    }

    public function hasMoreDistinctThan(int $most): bool
    {
        return $this->distinct > $most;
    }

    public function prefetch(array $bounds): void {}

    public function prefetchQuantiles(int $shares): void {}

    public function counted(): self
    {
        return $this;
    }

    /** For the store, where the sums are kept elsewhere: the values, and their running counts unless each occurs once. */
    public function toSlimBytes(): string
    {
        return pack('q', $this->distinct) . $this->values . ($this->n() === $this->distinct ? '' : $this->upTo);
    }

    /** Back from `toSlimBytes()`. */
    public static function fromSlimBytes(string $bytes, ?int $decimals): self
    {
        $distinct = Packed::integers('q', $bytes)[1];
        $words = self::WORD * $distinct;

        return new self(substr($bytes, self::WORD, $words), substr($bytes, self::WORD + $words), $distinct, $decimals, null);
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

    public function countHeld(BigRational $bound, bool $withEqual): int
    {
        return $this->countBefore($this->firstIndexAtLeast($bound, $withEqual, $this->held(...)));
    }

    public function countBelowUnscaled(int $bound): int
    {
        return $this->countBefore($this->firstAtLeast($this->values, $bound));
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
                'count' => min($toRank, $this->countBefore($i + 1)) - max($fromRank - 1, $this->countBefore($i)),
            ];
        }

        return $found;
    }

    public function powerSums(): PowerSums
    {
        if ($this->powerSums === null) {
            $this->powerSums = $this->decimals === null ? PowerSums::ofDoubles([], null) : PowerSums::ofIntegers([], null, $this->decimals);
            foreach ($this->slices() as [$values, $counts]) {
                $this->powerSums = $this->powerSums->plus($this->sliceSums($values, $counts));
            }
        }

        return $this->powerSums;
    }

    /**
     * Distinct values, ascending, some thousand at a time: whole numbers in the last decimal place, or doubles.
     *
     * @return iterable<array{list<int>|list<float>, list<int>}> the values and how often each occurs
     */
    public function slices(int $from = 0, ?int $to = null): iterable
    {
        $to ??= $this->distinct;
        $before = $this->countBefore($from);
        for (; $from < $to; $from += self::SLICE) {
            $bytes = self::WORD * min(self::SLICE, $to - $from);
            $values = substr($this->values, self::WORD * $from, $bytes);
            $counts = $this->upTo === '' ? array_fill(0, intdiv($bytes, self::WORD), 1) : [];
            foreach ($this->upTo === '' ? [] : Packed::integers('q*', substr($this->upTo, self::WORD * $from, $bytes)) as $upTo) {
                $counts[] = $upTo - $before;
                $before = $upTo;
            }
            yield [array_values($this->decimals === null ? Packed::doubles('e*', $values) : Packed::integers('q*', $values)), $counts];
        }
    }

    /** @return list<array{value: BigDecimal, count: int}> the smallest distinct values, ascending, at most $most of them */
    public function lowest(int $most): array
    {
        return $this->entries(0, min($most, $this->distinct));
    }

    /** @return list<array{value: BigDecimal, count: int}> the largest distinct values, ascending, at most $most of them */
    public function highest(int $most): array
    {
        return $this->entries(max(0, $this->distinct - $most), $this->distinct);
    }

    /** The sum of the values from one rank to another, both included; 0 where there are none between. */
    public function sumBetween(int $fromRank, int $toRank): BigRational
    {
        $sum = BigRational::zero();
        if ($fromRank > $toRank) {
            return $sum;
        }
        $first = $this->indexOfRank($fromRank);
        $last = $this->indexOfRank($toRank);
        foreach ($this->slices($first, $last + 1) as [$values, $counts]) {
            $sum = $sum->plus($this->sliceSums($values, $counts)->sum());
        }
        // The outermost values may occur beyond the ranks too.
        $before = $this->held($first)->multipliedBy($fromRank - 1 - $this->countBefore($first));
        $behind = $this->held($last)->multipliedBy($this->countBefore($last + 1) - $toRank);

        return $sum->minus($before)->minus($behind)->simplified();
    }

    /** A value as the sums take it: of a double, itself and not the decimal text nearest to it. */
    private function held(int $index): BigRational
    {
        return $this->decimals === null
            ? PowerSums::ofDoubles([self::double($this->values, $index)], null)->sum()
            : BigRational::of($this->decimal($index));
    }

    /**
     * @param list<int>|list<float> $values
     * @param list<int>             $counts
     */
    private function sliceSums(array $values, array $counts): PowerSums
    {
        if ($this->decimals === null) {
            /** @var list<float> $values */
            return PowerSums::ofDoubles($values, $counts);
        }

        /** @var list<int> $values */
        return PowerSums::ofIntegers($values, $counts, $this->decimals);
    }

    /** @return list<array{value: BigDecimal, count: int}> */
    private function entries(int $from, int $to): array
    {
        $entries = [];
        for ($i = $from; $i < $to; ++$i) {
            $entries[] = ['value' => $this->decimal($i), 'count' => $this->countBefore($i + 1) - $this->countBefore($i)];
        }

        return $entries;
    }

    private function decimal(int $index): BigDecimal
    {
        return $this->decimals === null
            ? BigDecimal::of(Exact::shortestText(self::double($this->values, $index)))
            : BigDecimal::ofUnscaledValue(self::integer($this->values, $index), $this->decimals);
    }

    private function countBefore(int $index): int
    {
        return $index === 0 || $this->upTo === '' ? $index : self::integer($this->upTo, $index - 1);
    }

    private function indexOfRank(int $rank): int
    {
        if ($rank < 1 || $rank > $this->n()) {
            throw InvalidInput::rankOutside($rank, $this->n());
        }

        return $this->upTo === '' ? $rank - 1 : $this->firstAtLeast($this->upTo, $rank);
    }

    /**
     * The first index whose value is at least the bound or, if $beyond, greater than it.
     *
     * @param (callable(int): (BigDecimal|BigRational))|null $read what a double stands for; null = its decimal text
     */
    private function firstIndexAtLeast(BigRational $bound, bool $beyond, ?callable $read = null): int
    {
        if ($this->decimals !== null) {
            // Whole numbers can be searched as they are once the bound is brought to their scale.
            $threshold = $beyond ? ScaledBound::above($bound, $this->decimals) : ScaledBound::atLeast($bound, $this->decimals);

            return $this->firstAtLeast($this->values, $threshold);
        }

        // A double that differs from the bound's own double lies on the same side of both; only a tie needs the exact numbers.
        $read ??= $this->decimal(...);
        $near = Exact::toFloat($bound);

        $low = 0;
        $high = $this->distinct;
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            $value = self::double($this->values, $middle);
            $order = $near === null || $value === $near ? $read($middle)->compareTo($bound) : $value <=> $near;
            if ($beyond ? $order > 0 : $order >= 0) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }

        return $low;
    }

    /** The first place whose packed word is at least so much: a picture asks thousands of times, so nothing is called but unpack(). */
    private function firstAtLeast(string $words, int $least): int
    {
        $low = 0;
        $high = $this->distinct;
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            /** @var array{1: int} $word */
            $word = unpack('q', $words, self::WORD * $middle);
            if ($word[1] >= $least) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }

        return $low;
    }

    private static function integer(string $words, int $index): int
    {
        return Packed::integers('q', $words, self::WORD * $index)[1];
    }

    private static function double(string $words, int $index): float
    {
        return Packed::doubles('e', $words, self::WORD * $index)[1];
    }
}
