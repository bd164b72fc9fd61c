<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\Resolution;

/**
 * Stem-and-leaf display.
 *
 * Definition  t = |x| / leaf unit cut off towards zero; the leaf is the last digit of t, the stem the rest. A negative value has a minus
 *             before its stem, so −0 and 0 are different lines; zero itself stands on 0. 1, 2 or 5 lines a stem share the digits. Every
 *             line between the first and the last is kept. Values beyond the outer fences may stand on low and high lines instead.
 *             Depth: how many values lie on this line and beyond it, counted from the nearer end; the line of the median has its own
 *             count, and there is none where the median lies between two lines.
 * Unit        the leaf unit 10^k is in the unit of the variable; never finer than the last decimal that the values use.
 * Undefined   no lines without values.
 * Source      Tukey, Exploratory Data Analysis (1977), chapter 1.
 * Accuracy    decided on the decimals as typed.
 * Cost        one pass over the distinct values.
 */
final readonly class StemLeaf
{
    public const FEWEST_LINES = 5;
    public const MOST_LINES = 25;
    /** With more values a leaf stands for several. */
    private const MOST_LEAVES = 1000;
    /** More lines than that are no picture. */
    private const MOST_ASKED = 400;
    private const FINEST_TRIED = 3;
    /** Of more values that stand apart the farthest are listed. */
    private const MOST_APART = 40;
    private const MOST_ZEROS = 18;
    /** A double so near to the edge of a leaf, in parts of itself, is cut off as its decimal text is. */
    private const NEAR = 1e-14;
    private const LARGEST_UNITS = 1e15;
    private const COARSEST_TRIED = 2;

    /**
     * @param list<array{stem: string, digits: string, leaves: list<array{digit: int, count: int}>, count: int, depth: int, holdsMedian: bool}> $lines leaves ascending in magnitude
     * @param list<array{value: BigDecimal, count: int}>                                                                                        $low   values on the line below all stems, the lowest of them
     * @param list<array{value: BigDecimal, count: int}>                                                                                        $high  the highest of those above
     */
    private function __construct(
        public array $lines,
        public BigDecimal $leafUnit,
        /** @var 1|2|5 */
        public int $linesPerStem,
        public array $low,
        public array $high,
        /** How many more stand apart than are listed. */
        public int $moreLow,
        public int $moreHigh,
        /** How many values one leaf stands for. */
        public int $perLeaf,
        private int $exponent,
        /** @var array{BigDecimal, BigDecimal}|null lowest and highest value on stems; null without any */
        private ?array $ends,
    ) {}

    /**
     * @param int|null $exponent     the leaf unit is 10^exponent; null = chosen so that 5 to 25 lines result
     * @param 1|2|5    $linesPerStem used with a chosen exponent
     * @param bool     $apart        whether values beyond the outer fences stand apart
     *
     * @throws NotUnderstood when that leaf unit shows no more than another, or needs very many lines
     */
    public static function of(Observations $observations, Basis $basis, ?int $exponent = null, int $linesPerStem = 1, bool $apart = false): self
    {
        $values = $observations->values;
        if ($observations->n() === 0) {
            return self::built($observations, 0, 0, 0, $linesPerStem);
        }
        [$first, $last] = self::onStems($observations, $basis, $apart);
        [$low, $high] = [$values->at($first), $values->at($last)];
        if ($exponent === null) {
            [$exponent, $linesPerStem] = self::chosen($low, $high, $last - $first + 1, self::finest($values));
        } elseif (!in_array($exponent, self::possible($low, $high, $values), true)) {
            throw NotUnderstood::leafUnitOutOfReach(Exact::plainDecimal(self::unit($exponent)), array_map(static fn(int $possible): string => Exact::plainDecimal(self::unit($possible)), self::possible($low, $high, $values)));
        }

        return self::built($observations, $first, $last, $exponent, $linesPerStem);
    }

    /** A group beside it: in its leaf unit, and nothing on stems where it has none. */
    public function ofGroup(Observations $group, Basis $basis, bool $apart): self
    {
        if ($group->n() === 0 || $this->ends === null) {
            return self::built($group, 0, 0, $this->exponent, $this->linesPerStem);
        }
        [$first, $last] = self::onStems($group, $basis, $apart);
        [$low, $high] = $this->ends;

        return self::built($group, max($first, $group->values->countBelow($low->toBigRational()) + 1), min($last, $group->values->countUpTo($high->toBigRational())), $this->exponent, $this->linesPerStem);
    }

    /** @return array{int, int} ranks of the first and the last value that stand on stems */
    private static function onStems(Observations $observations, Basis $basis, bool $apart): array
    {
        $all = [1, $observations->n()];
        if (!$apart) {
            return $all;
        }
        $quartiles = $observations->quartiles($basis->quartileRule);
        $first = $observations->values->countBelow($quartiles->lowerFence($basis->outerFence())) + 1;
        $last = $observations->values->countUpTo($quartiles->upperFence($basis->outerFence()));

        return $first > $last ? $all : [$first, $last];
    }

    /** @param 1|2|5 $linesPerStem */
    private static function built(Observations $observations, int $first, int $last, int $exponent, int $linesPerStem): self
    {
        $n = $observations->n();
        $values = $observations->values;
        $isEmpty = $first > $last || $last === 0;
        $below = max(0, min($first - 1, $n));
        $above = max(0, $n - max(0, $last));

        return new self(
            $isEmpty ? [] : self::lines(self::leaves($values, $first, $last, $exponent, $linesPerStem), $linesPerStem, $first - 1, $n),
            self::unit($exponent),
            $linesPerStem,
            $values->between(1, min($below, self::MOST_APART)),
            $values->between(max(1, $n - min($above, self::MOST_APART) + 1), $n),
            max(0, $below - self::MOST_APART),
            max(0, $above - self::MOST_APART),
            (int) max(1, ceil(($last - $first + 1) / self::MOST_LEAVES)),
            $exponent,
            $isEmpty ? null : [$values->at($first), $values->at($last)],
        );
    }

    /**
     * Powers of ten that a leaf unit can be, from the finest.
     *
     * @return non-empty-list<int>
     */
    public static function exponents(Observations $observations): array
    {
        return $observations->n() === 0 ? [0] : self::possible($observations->values->at(1), $observations->values->at($observations->n()), $observations->values);
    }

    /** @return non-empty-list<int> */
    private static function possible(BigDecimal $low, BigDecimal $high, OrderedValues $values): array
    {
        $size = self::size($low, $high);
        $finest = self::finest($values) ?? $size - self::FINEST_TRIED;
        // The whole range on one line, or leaves that are all nothing, show nothing.
        $coarsest = max($finest, $size + self::COARSEST_TRIED);
        while ($finest < $coarsest && self::number($low, $high, $finest, 1) > self::MOST_ASKED) {
            ++$finest;
        }

        return range($finest, $coarsest);
    }

    /** The power of ten of the last decimal that the values use; null where they are too many doubles to tell. */
    private static function finest(OrderedValues $values): ?int
    {
        $decimals = $values->decimals();
        if ($decimals === null) {
            $resolution = Resolution::of($values);

            return $resolution === null ? null : -max($resolution->lowest->stripTrailingZeros()->getScale(), $resolution->step->stripTrailingZeros()->getScale());
        }
        $exponent = self::MOST_ZEROS;
        foreach ($values->unorderedSlices() as [$unscaled]) {
            foreach ($unscaled as $value) {
                while ($exponent > 0 && $value % 10 ** $exponent !== 0) {
                    --$exponent;
                }
            }
            if ($exponent === 0) {
                break;
            }
        }

        return ($exponent === self::MOST_ZEROS ? 0 : $exponent) - $decimals;
    }

    /** How many lines there would be. */
    private static function number(BigDecimal $low, BigDecimal $high, int $exponent, int $linesPerStem): float
    {
        $line = static fn(BigDecimal $value): BigInteger => self::place($value, $exponent)->quotient(intdiv(10, $linesPerStem));

        return (float) (string) ($low->isNegative() === $high->isNegative() ? $line($high)->minus($line($low))->abs() : $line($high)->plus($line($low))->plus(1))->plus(1);
    }

    /** |x| / leaf unit cut off towards zero. */
    private static function place(BigDecimal $value, int $exponent): BigInteger
    {
        return $value->abs()->withPointMovedLeft($exponent)->toScale(0, RoundingMode::DOWN)->getUnscaledValue();
    }

    /** The power of ten of the first digit of the range, or of the value where there is only one. */
    private static function size(BigDecimal $low, BigDecimal $high): int
    {
        $range = $high->minus($low);
        $size = $range->isZero() ? $high->abs() : $range;

        return $size->isZero() ? 0 : strlen((string) $size->getUnscaledValue()) - $size->getScale() - 1;
    }

    public static function unit(int $exponent): BigDecimal
    {
        return $exponent >= 0 ? BigDecimal::of(10)->power($exponent) : BigDecimal::ofUnscaledValue(1, -$exponent);
    }

    /**
     * The leaf unit and lines a stem that give a number of lines between 5 and 25 and near to twice the root of the number of values.
     *
     * @return array{int, 1|2|5}
     */
    private static function chosen(BigDecimal $low, BigDecimal $high, int $n, ?int $finest): array
    {
        $wanted = max(self::FEWEST_LINES, min(self::MOST_LINES, (int) round(2 * sqrt($n))));
        $start = max(self::size($low, $high), $finest ?? PHP_INT_MIN);
        $best = null;
        for ($exponent = $start; $exponent >= max($start - self::FINEST_TRIED, $finest ?? PHP_INT_MIN); --$exponent) {
            foreach ([1, 2, 5] as $lines) {
                $number = self::number($low, $high, $exponent, $lines);
                $off = abs(log($number / $wanted)) + ($number > self::MOST_LINES ? 10 : 0) + ($number < self::FEWEST_LINES ? 5 : 0);
                if ($best === null || $off < $best['off'] - 1e-9) {
                    $best = ['off' => $off, 'exponent' => $exponent, 'lines' => $lines];
                }
            }
        }

        return [$best['exponent'] ?? 0, $best['lines'] ?? 1];
    }

    /**
     * Lines from 0 upwards for values from zero, from −1 downwards for negative ones.
     *
     * @param 1|2|5 $linesPerStem
     *
     * @return array<int, array<int, int>> how often each digit stands on each line
     */
    private static function leaves(OrderedValues $values, int $first, int $last, int $exponent, int $linesPerStem): array
    {
        $decimals = $values->decimals();
        $each = intdiv(10, $linesPerStem);
        // Of decimals as a whole number in their last place; none is as large as one that no machine integer holds.
        $places = $exponent + (int) $decimals;
        $unit = $decimals === null ? 10.0 ** $exponent : ($places > self::MOST_ZEROS ? null : 10 ** $places);
        $upTo = 0;
        $leaves = [];
        foreach ($values->slices() as [$slice, $counts]) {
            foreach ($slice as $i => $value) {
                $before = $upTo;
                $upTo += $counts[$i];
                if ($upTo < $first || $before >= $last) {
                    continue;
                }
                $t = match (true) {
                    is_int($value) => is_int($unit) ? abs(intdiv($value, $unit)) : 0,
                    default => self::cutOff(abs($value), (float) $unit, $exponent),
                };
                $place = intdiv($t, $each);
                $line = $value < 0 ? -1 - $place : $place;
                $leaves[$line][$t % 10] = ($leaves[$line][$t % 10] ?? 0) + min($upTo, $last) - max($before, $first - 1);
            }
        }

        return $leaves;
    }

    /** A double in leaf units, cut off. */
    private static function cutOff(float $size, float $unit, int $exponent): int
    {
        // A unit may be smaller than any double.
        $units = $unit === 0.0 ? INF : $size / $unit;
        $isClear = $units < self::LARGEST_UNITS && abs($units - round($units)) > self::NEAR * max(1.0, $units);

        return $isClear ? (int) $units : self::place(BigDecimal::of(Exact::shortestText($size)), $exponent)->toInt();
    }

    /**
     * @param array<int, array<int, int>> $leaves
     * @param 1|2|5                       $linesPerStem
     *
     * @return list<array{stem: string, digits: string, leaves: list<array{digit: int, count: int}>, count: int, depth: int, holdsMedian: bool}>
     */
    private static function lines(array $leaves, int $linesPerStem, int $before, int $n): array
    {
        if ($leaves === []) {
            return [];
        }
        $lines = [];
        $each = intdiv(10, $linesPerStem);
        for ($index = min(array_keys($leaves)), $last = max(array_keys($leaves)); $index <= $last; ++$index) {
            $own = $leaves[$index] ?? [];
            ksort($own);
            $count = array_sum($own);
            $place = $index >= 0 ? $index : -1 - $index;
            $from = $place % $linesPerStem * $each;
            $upTo = $before + $count;
            $holdsMedian = $before < intdiv($n + 1, 2) && $upTo >= intdiv($n, 2) + 1;
            $lines[] = [
                'stem' => ($index < 0 ? '-' : '') . intdiv($place, $linesPerStem),
                'digits' => $from . '-' . ($from + $each - 1),
                'leaves' => array_map(static fn(int $digit, int $often): array => ['digit' => $digit, 'count' => $often], array_keys($own), array_values($own)),
                'count' => $count,
                'depth' => $holdsMedian ? $count : min($upTo, $n - $before),
                'holdsMedian' => $holdsMedian,
            ];
            $before = $upTo;
        }

        return $lines;
    }
}
