<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

/**
 * Sorted numbers as distinct ones with how often each stands.
 *
 * @internal
 */
final class Runs
{
    /**
     * @param list<int> $counts
     *
     * @return list<int>
     */
    public static function runningSums(array $counts): array
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
    public static function of(array $sorted): array
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
