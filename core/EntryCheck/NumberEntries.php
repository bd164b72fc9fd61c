<?php

declare(strict_types=1);

namespace RowTally\Core\EntryCheck;

use Brick\Math\BigDecimal;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\OrderedValues;

/**
 * What typing errors look like in numbers: the ends of the ordered values, values of another magnitude, decimals out of the
 * usual pattern, values that come up again and again.
 *
 * Definition  another magnitude: five times the upper quartile or more, or a fifth of the lower one or less (a slipped
 *             decimal point makes ten times as much), for positive values; out of pattern: more decimals than 95 in 100 of the values have; repeated: one value in
 *             more than half of the rows, for variables with 10 values or more.
 * Undefined   no lines when there are no values.
 * Cost        look-ups by rank; O(distinct values) for decimals, of at most 50,000.
 */
final class NumberEntries
{
    private const ENDS = 5;
    private const FEWEST = 10;
    private const MOST_DISTINCT = 50_000;
    private const TIMES = 5;
    private const COMMON_PERCENT = 95;

    /**
     * @param string $name the variable as it stands in a formula
     *
     * @return list<CheckLine>
     */
    public static function of(OrderedValues $values, string $name): array
    {
        $n = $values->n();
        if ($n === 0) {
            return [];
        }
        $low = $values->at(min($n, self::ENDS));
        $high = $values->at(max(1, $n - self::ENDS + 1));
        $sum = $values->powerSums()->sum();
        $total = $sum->toScale($values->decimals() ?? 10, \Brick\Math\RoundingMode::HALF_UP);
        $lines = [
            new CheckLine('count-sum', NumberMarks::count($n) . ' values, sum ' . DecimalText::whole($total), '', null, false),
            new CheckLine('smallest', 'The smallest', self::list($values, 1, min($n, self::ENDS)), "{$name} <= " . Exact::plainDecimal($low), false),
            new CheckLine('largest', 'The largest', self::list($values, max(1, $n - self::ENDS + 1), $n), "{$name} >= " . Exact::plainDecimal($high), false),
        ];

        return [...$lines, ...self::magnitude($values, $name), ...self::pattern($values, $name), ...self::repeated($values, $name)];
    }

    /** @return list<CheckLine> */
    private static function magnitude(OrderedValues $values, string $name): array
    {
        $n = $values->n();
        $q1 = $values->at(intdiv($n + 3, 4));
        $q3 = $values->at(max(1, intdiv(3 * $n + 3, 4)));
        if ($n < self::FEWEST || $q1->isNegativeOrZero()) {
            return [];
        }
        $tooHigh = $q3->multipliedBy(self::TIMES);
        $tooLow = $q1->toBigRational()->dividedBy(self::TIMES);
        $above = $n - $values->countBelow($tooHigh->toBigRational());
        $below = $values->countUpTo($tooLow) - $values->countUpTo(BigDecimal::zero()->toBigRational());
        $lines = [];
        if ($above > 0) {
            $lines[] = new CheckLine('magnitude-high', self::counted($above, 'value is', 'values are') . ' more than five times as large as three quarters of the others', self::list($values, max($n - $above + 1, $n - self::ENDS + 1), $n), "{$name} >= " . Exact::plainDecimal($tooHigh), true);
        }
        if ($below > 0) {
            $first = $values->countUpTo(BigDecimal::zero()->toBigRational()) + 1;
            $bound = Exact::plainDecimal($tooLow->toScale(($values->decimals() ?? 10) + 1, \Brick\Math\RoundingMode::HALF_UP));
            $lines[] = new CheckLine('magnitude-low', self::counted($below, 'value is', 'values are') . ' less than a fifth of three quarters of the others', self::list($values, $first, min($first + $below - 1, $first + self::ENDS - 1)), "0 < {$name} <= {$bound}", true);
        }

        return $lines;
    }

    /** @return list<CheckLine> */
    private static function pattern(OrderedValues $values, string $name): array
    {
        $n = $values->n();
        $decimals = $values->decimals();
        if ($decimals === null || $decimals === 0 || $n < self::FEWEST || $values->hasMoreDistinctThan(self::MOST_DISTINCT)) {
            return [];
        }
        $counts = array_fill(0, $decimals + 1, 0);
        $distinct = $values->between(1, $n);
        foreach ($distinct as ['value' => $value, 'count' => $count]) {
            $counts[self::decimals($value)] += $count;
        }
        $usual = 0;
        $upTo = $counts[0];
        while (100 * $upTo < self::COMMON_PERCENT * $n) {
            $upTo += $counts[++$usual];
        }
        if ($usual === $decimals) {
            return [];
        }
        $odd = array_values(array_filter($distinct, static fn(array $entry): bool => self::decimals($entry['value']) > $usual));
        if ($odd === []) {
            return [];
        }
        $texts = array_map(static fn(array $entry): string => DecimalText::whole($entry['value']), array_slice($odd, 0, self::ENDS));

        return [new CheckLine('decimals', self::counted($n - $upTo, 'value has', 'values have') . " more than {$usual} " . ($usual === 1 ? 'decimal' : 'decimals'), implode('   ', $texts), "round({$name}, {$usual}) <> {$name}", true)];
    }

    /** @return list<CheckLine> */
    private static function repeated(OrderedValues $values, string $name): array
    {
        $n = $values->n();
        if ($n < self::FEWEST || !$values->hasMoreDistinctThan(1)) {
            return [];
        }
        // A value in more than half of the rows is the middle one.
        $middle = $values->at(intdiv($n + 1, 2));
        $exact = $middle->toBigRational();
        $count = $values->countUpTo($exact) - $values->countBelow($exact);

        return 2 * $count > $n ? [new CheckLine('repeated', DecimalText::whole($middle) . ' stands in ' . NumberMarks::count($count) . ' of ' . NumberMarks::count($n) . ' rows', '', "{$name} = " . Exact::plainDecimal($middle), false)] : [];
    }

    private static function decimals(BigDecimal $value): int
    {
        return max(0, $value->stripTrailingZeros()->getScale());
    }

    private static function list(OrderedValues $values, int $from, int $to): string
    {
        $texts = [];
        for ($rank = $from; $rank <= $to; ++$rank) {
            $texts[] = DecimalText::whole($values->at($rank));
        }

        return implode('   ', $texts);
    }

    private static function counted(int $count, string $one, string $many): string
    {
        return $count === 1 ? "One {$one}" : NumberMarks::count($count) . " {$many}";
    }
}
