<?php

declare(strict_types=1);

namespace RowTally\Core\Profile;

use RowTally\Core\Formula\Decimals;
use RowTally\Core\Formula\Table;

/**
 * The rows whose value lies beyond one of some limits, overall or in their group.
 *
 * Cost  the chunks whose smallest or largest value lies beyond the limits of any group.
 */
final class RowsBeyond
{
    /** So many more than asked for are held before the nearest are let go. */
    private const FEW = 10_000;

    /**
     * @param list<array{float, float}|null> $limits overall, then of each group of the grouping: a value below the first or above the second is beyond; null = none is
     * @param bool                           $isOnIn whether a value on a limit is beyond it
     *
     * @return array{total: int, rows: list<array{row: int, value: float, columns: list<int>}>} rows from 1, the farthest from the middle of the overall limits first
     */
    public static function of(Table $table, string $number, RowGrouping $grouping, array $limits, int $most, bool $isOnIn = false): array
    {
        $middle = ($limits[0] ?? null) === null ? 0.0 : ($limits[0][0] + $limits[0][1]) / 2;
        $found = $away = $shared = [];
        $before = $total = 0;
        $innermost = [max([-INF, ...array_map(static fn(?array $limit): float => $limit[0] ?? -INF, $limits)]), min([INF, ...array_map(static fn(?array $limit): float => $limit[1] ?? INF, $limits)])];
        $overallCodes = $grouping->overall->isWhole() ? null : $grouping->overall;
        foreach ($table->chunks($number) as $at => $chunk) {
            $scale = $chunk->decimals === null ? 1.0 : 10.0 ** $chunk->decimals;
            if ($chunk->min !== null && $chunk->max !== null && ($chunk->min / $scale <= $innermost[0] || $chunk->max / $scale >= $innermost[1])) {
                $in = $overallCodes === null ? null : array_values($overallCodes->codes($at));
                $groups = $grouping->grouping->isWhole() ? null : array_values($grouping->grouping->codes($at));
                foreach ($table->rows($at)->numbers($number) as $row => $value) {
                    if ($value === null || ($in !== null && $in[$row] !== 0)) {
                        continue;
                    }
                    $double = Decimals::double($value);
                    $columns = self::columns($double, $groups === null ? null : $groups[$row], $limits, $isOnIn);
                    if ($columns !== []) {
                        // Very many rows share a few lists: overall, their group, or both.
                        $columns = $shared[2 * $columns[count($columns) - 1] + count($columns)] ??= $columns;
                        $found[] = ['row' => $before + $row + 1, 'value' => $double, 'columns' => $columns];
                        $away[] = abs($double - $middle);
                        ++$total;
                    }
                }
            }
            $before += $chunk->rows;
            if (count($found) > self::FEW && count($found) > 2 * $most) {
                [$found, $away] = self::farthest($found, $away, $most);
            }
        }

        return ['total' => $total, 'rows' => self::farthest($found, $away, $most)[0]];
    }

    /**
     * @param list<array{row: int, value: float, columns: list<int>}> $found
     * @param list<float>                                             $away  how far each is
     *
     * @return array{list<array{row: int, value: float, columns: list<int>}>, list<float>} the farthest first; equally far ones in the order of the rows
     */
    private static function farthest(array $found, array $away, int $most): array
    {
        arsort($away);
        $away = array_slice($away, 0, $most, true);

        return [array_map(static fn(int $place): array => $found[$place], array_keys($away)), array_values($away)];
    }

    /**
     * @param list<array{float, float}|null> $limits
     *
     * @return list<int> of overall and its group those where it is beyond
     */
    private static function columns(float $value, ?int $group, array $limits, bool $isOnIn): array
    {
        $columns = [];
        foreach ($group === null ? [0] : [0, $group + 1] as $column) {
            $limit = $limits[$column] ?? null;
            if ($limit !== null && ($value < $limit[0] || $value > $limit[1] || ($isOnIn && ($value === $limit[0] || $value === $limit[1])))) {
                $columns[] = $column;
            }
        }

        return $columns;
    }
}
