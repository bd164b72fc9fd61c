<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\ValueCounts;

/**
 * Turns a number column into ordered values with counts where another column says how often each row counts.
 *
 * A negative or missing count leaves its row out; zero counts are legal and have no effect. Counts that are whole, be they
 * written 12.0, are counts of rows; others are held in their last decimal place.
 *
 * Cost  one pass, and a sort of the distinct values.
 */
final class TallyUnderCounts
{
    /** Up to this span whole numbers are added up under their own value; beyond, pairs are sorted. */
    private const SPAN = 1 << 22;
    private const LARGEST_TOTAL = 4e18;

    /**
     * @return list<Observations> one for each group
     *
     * @throws NotUnderstood when the counts are doubles or add up to too much
     */
    public static function byGroup(NumberColumn $column, NumberColumn $counts, Grouping $grouping, string $name = 'counts'): array
    {
        if ($counts->decimals === null) {
            throw NotUnderstood::countsTooLarge($name);
        }
        $values = $weights = array_fill(0, $grouping->groups, []);
        $missing = array_fill(0, $grouping->groups, 0);
        $unit = 10 ** $counts->decimals;
        $isWhole = true;
        $total = 0.0;
        $countChunks = is_array($counts->chunks) ? $counts->chunks : iterator_to_array($counts->chunks, false);
        $at = 0;
        foreach ($column->chunks as $chunk) {
            $group = $grouping->isWhole() ? null : $grouping->codes($at);
            $weight = $counts->integers($countChunks[$at]);
            ++$at;
            foreach ($column->decimals === null ? $column->doubles($chunk) : $column->integers($chunk) as $row => $value) {
                $count = $weight[$row];
                $into = $group === null ? 0 : $group[$row];
                if ($count === null || $count <= 0 || $into >= $grouping->groups) {
                    continue;
                }
                $isWhole = $isWhole && $count % $unit === 0;
                $total += $count;
                if ($value === null) {
                    $missing[$into] += $count;
                } else {
                    $values[$into][] = $value;
                    $weights[$into][] = $count;
                }
            }
        }
        if ($total > self::LARGEST_TOTAL) {
            throw NotUnderstood::countsTooLarge($name);
        }
        $divisor = $isWhole ? $unit : 1;
        $observations = [];
        foreach (array_keys($missing) as $group) {
            $own = array_map(static fn(int $count): int => intdiv($count, $divisor), $weights[$group]);
            $observations[] = new Observations(self::added($values[$group], $own, $column->decimals), intdiv($missing[$group], $divisor), $isWhole ? 0 : $counts->decimals);
        }

        return $observations;
    }

    /** @return array{counts: list<int|null>, decimals: int} the count of each row in its last decimal place, null where there is none */
    public static function perRow(NumberColumn $counts): array
    {
        if ($counts->decimals === null) {
            throw NotUnderstood::countsTooLarge('counts');
        }
        $all = [];
        foreach ($counts->chunks as $chunk) {
            array_push($all, ...array_values($counts->integers($chunk)));
        }

        return ['counts' => $all, 'decimals' => $counts->decimals];
    }

    /**
     * The rows, from 1, whose count is missing, no number or negative: they are left out.
     *
     * @return list<int>
     */
    public static function rowsLeftOut(NumberColumn $counts): array
    {
        $rows = [];
        $before = 0;
        foreach ($counts->chunks as $chunk) {
            foreach ($counts->decimals === null ? $counts->doubles($chunk) : $counts->integers($chunk) as $row => $count) {
                if ($count === null || $count < 0) {
                    $rows[] = $before + $row;
                }
            }
            $before += $chunk->rows;
        }

        return $rows;
    }

    /**
     * @param list<int|float> $values
     * @param list<int>       $counts
     */
    private static function added(array $values, array $counts, ?int $decimals): ValueCounts
    {
        if ($values !== [] && $decimals !== null && max($values) - min($values) <= self::SPAN) {
            $least = (int) min($values);
            $sums = [];
            foreach ($values as $i => $value) {
                $place = (int) $value - $least;
                $sums[$place] = ($sums[$place] ?? 0) + $counts[$i];
            }
            ksort($sums);

            return ValueCounts::ofIntegers(array_map(static fn(int $place): int => $place + $least, array_keys($sums)), array_values($sums), $decimals);
        }
        array_multisort($values, $counts);
        $distinct = $sums = [];
        $last = null;
        foreach ($values as $i => $value) {
            if ($value === $last) {
                $sums[count($sums) - 1] += $counts[$i];
            } else {
                $distinct[] = $last = $value;
                $sums[] = $counts[$i];
            }
        }
        if ($decimals === null) {
            /** @var list<float> $distinct */
            return ValueCounts::ofDoubles($distinct, $sums);
        }

        /** @var list<int> $distinct */
        return ValueCounts::ofIntegers($distinct, $sums, $decimals);
    }
}
