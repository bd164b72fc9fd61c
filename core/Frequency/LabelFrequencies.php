<?php

declare(strict_types=1);

namespace RowTally\Core\Frequency;

use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\Grouping;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Values\Packed;

/** How often each label of a category occurs in each group. */
final class LabelFrequencies
{
    /**
     * The groups of several groupings as the columns of one table, in that order.
     *
     * @param list<Chunk>              $chunks    of byte codes
     * @param list<string>             $labels
     * @param non-empty-list<Grouping> $groupings
     * @param NumberColumn|null        $counts    how often each row counts; rows with a negative or missing count are left out
     */
    public static function table(array $chunks, array $labels, array $groupings, ?NumberColumn $counts): FrequencyTable
    {
        $parts = array_map(static fn(Grouping $grouping): array => self::byGroup($chunks, count($labels), $grouping, $counts), $groupings);

        return new FrequencyTable(
            FrequencyKind::Labels,
            $labels,
            array_merge(...array_column($parts, 'counts')),
            array_merge(...array_column($parts, 'missing')),
            max(array_column($parts, 'countDecimals')),
        );
    }

    /**
     * @param list<Chunk>       $chunks of byte codes
     * @param int               $labels how many there are
     * @param NumberColumn|null $counts how often each row counts; rows with a negative or missing count are left out
     *
     * @return array{counts: list<list<int>>, missing: list<int>, countDecimals: int} by group
     */
    public static function byGroup(array $chunks, int $labels, Grouping $grouping, ?NumberColumn $counts): array
    {
        $tally = array_fill(0, $grouping->groups + 1, array_fill(0, $labels + 1, 0));
        $weights = $counts === null ? null : (is_array($counts->chunks) ? array_values($counts->chunks) : iterator_to_array($counts->chunks, false));
        $unit = 10 ** ($counts->decimals ?? 0);
        $isWhole = true;
        foreach ($chunks as $i => $chunk) {
            if ($grouping->isWhole() && $counts === null) {
                foreach (count_chars($chunk->payload, 1) as $code => $count) {
                    $tally[0][$code] += $count;
                }
                continue;
            }
            $group = $grouping->isWhole() ? null : $grouping->codes($i);
            $weight = $counts === null || $weights === null ? null : $counts->integers($weights[$i]);
            foreach (Packed::integers('C*', $chunk->payload) as $row => $code) {
                $count = $weight === null ? 1 : max(0, $weight[$row] ?? 0);
                $isWhole = $isWhole && $count % $unit === 0;
                $tally[$group === null ? 0 : $group[$row]][$code] += $count;
            }
        }
        $divisor = $isWhole ? $unit : 1;
        $columns = $missing = [];
        for ($group = 0; $group < $grouping->groups; ++$group) {
            $own = array_map(static fn(int $count): int => intdiv($count, $counts === null ? 1 : $divisor), $tally[$group]);
            $missing[] = array_shift($own) ?? 0;
            $columns[] = array_values($own);
        }

        return ['counts' => $columns, 'missing' => $missing, 'countDecimals' => $counts === null || $isWhole ? 0 : $counts->decimals ?? 0];
    }
}
