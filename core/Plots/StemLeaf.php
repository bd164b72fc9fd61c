<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Values\Observations;

/**
 * Stem-and-leaf display.
 *
 * Definition  t = |x| / leaf unit cut off towards zero; the leaf is the last digit of t, the stem the rest. A negative value has a minus
 *             before its stem, so −0 and 0 are different lines; zero itself stands on 0. 1, 2 or 5 lines a stem share the digits. Every
 *             line between the first and the last is kept. Values beyond the outer fences may stand on low and high lines instead.
 *             Depth: how many values lie on this line and beyond it, counted from the nearer end; the line of the median has its own count.
 * Unit        the leaf unit 10^k is in the unit of the variable.
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

    /**
     * @param list<array{stem: string, digits: string, leaves: list<array{digit: int, count: int}>, count: int, depth: int, holdsMedian: bool}> $lines leaves ascending in magnitude
     * @param list<array{value: BigDecimal, count: int}>                                                                                        $low   values on the line below all stems
     * @param list<array{value: BigDecimal, count: int}>                                                                                        $high
     */
    private function __construct(
        public array $lines,
        public BigDecimal $leafUnit,
        public int $linesPerStem,
        public array $low,
        public array $high,
        /** How many values one leaf stands for. */
        public int $perLeaf,
    ) {}

    /**
     * @param int|null $exponent     the leaf unit is 10^exponent; null = chosen so that 5 to 25 lines result
     * @param 1|2|5    $linesPerStem used with a chosen exponent
     * @param bool     $apart        whether values beyond the outer fences stand apart
     */
    public static function of(Observations $observations, Basis $basis, ?int $exponent = null, int $linesPerStem = 1, bool $apart = false): self
    {
        $n = $observations->n();
        $values = $observations->values;
        if ($n === 0) {
            return new self([], self::unit(0), $linesPerStem, [], [], 1);
        }
        [$first, $last] = [1, $n];
        if ($apart) {
            $quartiles = $observations->quartiles($basis->quartileRule);
            $first = $values->countBelow($quartiles->lowerFence($basis->outerFence())) + 1;
            $last = $values->countUpTo($quartiles->upperFence($basis->outerFence()));
            [$first, $last] = $first > $last ? [1, $n] : [$first, $last];
        }
        if ($exponent === null) {
            [$exponent, $linesPerStem] = self::chosen($values->at($first), $values->at($last), $last - $first + 1);
        }

        return new self(
            self::lines($values->between($first, $last), $exponent, $linesPerStem, $first - 1, $n),
            self::unit($exponent),
            $linesPerStem,
            $values->between(1, $first - 1),
            $values->between($last + 1, $n),
            (int) max(1, ceil(($last - $first + 1) / self::MOST_LEAVES)),
        );
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
    private static function chosen(BigDecimal $low, BigDecimal $high, int $n): array
    {
        $wanted = max(self::FEWEST_LINES, min(self::MOST_LINES, (int) round(2 * sqrt($n))));
        $range = $high->minus($low);
        $size = $range->isZero() ? $high->abs() : $range;
        $start = $size->isZero() ? 0 : strlen((string) $size->getUnscaledValue()) - $size->getScale() - 1;
        $best = null;
        for ($exponent = $start; $exponent >= $start - 3; --$exponent) {
            foreach ([1, 2, 5] as $lines) {
                $number = self::line($high, $exponent, $lines)['index'] - self::line($low, $exponent, $lines)['index'] + 1;
                $off = abs(log($number / $wanted)) + ($number > self::MOST_LINES ? 10 : 0) + ($number < self::FEWEST_LINES ? 5 : 0);
                if ($best === null || $off < $best['off'] - 1e-9) {
                    $best = ['off' => $off, 'exponent' => $exponent, 'lines' => $lines];
                }
            }
        }

        return [$best['exponent'] ?? 0, $best['lines'] ?? 1];
    }

    /**
     * @param list<array{value: BigDecimal, count: int}> $entries      ascending
     * @param 1|2|5                                      $linesPerStem
     *
     * @return list<array{stem: string, digits: string, leaves: list<array{digit: int, count: int}>, count: int, depth: int, holdsMedian: bool}>
     */
    private static function lines(array $entries, int $exponent, int $linesPerStem, int $before, int $n): array
    {
        /** @var array<int, array<int, int>> $leaves */
        $leaves = [];
        foreach ($entries as ['value' => $value, 'count' => $count]) {
            ['index' => $index, 'leaf' => $leaf] = self::line($value, $exponent, $linesPerStem);
            $leaves[$index][$leaf] = ($leaves[$index][$leaf] ?? 0) + $count;
        }
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
            $holdsMedian = $count > 0 && 2 * $before < $n + 1 && 2 * $upTo >= $n + 1;
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

    /**
     * @param 1|2|5 $linesPerStem
     *
     * @return array{index: int, leaf: int} lines from 0 upwards for values from zero, from −1 downwards for negative ones
     */
    private static function line(BigDecimal $value, int $exponent, int $linesPerStem): array
    {
        $t = $value->abs()->withPointMovedLeft($exponent)->toScale(0, RoundingMode::DOWN)->toInt();
        $place = intdiv($t, intdiv(10, $linesPerStem));

        return ['index' => $value->isNegative() ? -1 - $place : $place, 'leaf' => $t % 10];
    }
}
