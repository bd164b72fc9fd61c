<?php

declare(strict_types=1);

namespace RowTally\Core\Comparison;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\ValueCounts;

/**
 * Several groups as one, and values in another unit.
 *
 * Accuracy  decimals stay decimals while their digits fit a machine integer, otherwise all become doubles.
 * Cost      one pass over the distinct values.
 */
final class Pooled
{
    private const MOST = 4.0e18;

    /**
     * All of them together; under counts in the finest unit of theirs.
     *
     * @param non-empty-list<Observations> $groups
     */
    public static function of(array $groups): Observations
    {
        $countDecimals = max(array_map(static fn(Observations $group): int => $group->countDecimals, $groups));
        $decimals = self::common($groups);
        [$values, $counts] = [[], []];
        $missing = 0;
        foreach ($groups as $group) {
            $times = 10 ** ($countDecimals - $group->countDecimals);
            [$own, $often] = self::inUnit($group->values, $decimals);
            [$values, $counts] = self::merged($values, $counts, $own, array_map(static fn(int $count): int => $count * $times, $often));
            $missing += $group->missing * $times;
        }

        return new Observations(self::counted($values, $counts, $decimals), $missing, $countDecimals);
    }

    /** Every value times a factor, which is above 0. */
    public static function times(Observations $group, BigDecimal $factor): Observations
    {
        $decimals = $group->values->decimals();
        $scale = max(0, $factor->getScale());
        $by = $factor->toScale($scale, RoundingMode::UNNECESSARY)->getUnscaledValue();
        $n = $group->n();
        if ($decimals !== null && $n > 0 && self::largest($group->values) * 10.0 ** $decimals * (float) (string) $by < self::MOST && $decimals + $scale <= 15) {
            [$values, $counts] = self::inUnit($group->values, $decimals);
            $whole = $by->toInt();

            return new Observations(self::counted(array_map(static fn(int|float $value): int => (int) ($value * $whole), $values), $counts, $decimals + $scale), $group->missing, $group->countDecimals);
        }
        [$values, $counts] = self::inUnit($group->values, null);
        $double = (float) (string) $factor;

        return new Observations(self::counted(array_map(static fn(int|float $value): float => $value * $double, $values), $counts, null), $group->missing, $group->countDecimals);
    }

    /**
     * @param non-empty-list<Observations> $groups
     *
     * @return int|null the decimals that all of them fit, null where they do not
     */
    private static function common(array $groups): ?int
    {
        $decimals = 0;
        foreach ($groups as $group) {
            if ($group->values->decimals() === null) {
                return null;
            }
            $decimals = max($decimals, $group->values->decimals());
        }
        foreach ($groups as $group) {
            if ($group->n() > 0 && self::largest($group->values) * 10.0 ** $decimals > self::MOST) {
                return null;
            }
        }

        return $decimals;
    }

    private static function largest(OrderedValues $values): float
    {
        return max(abs((float) (string) $values->at(1)), abs((float) (string) $values->at($values->n())));
    }

    /**
     * @param int|null $decimals null = doubles
     *
     * @return array{list<int|float>, list<int>} ascending, and how often each occurs
     */
    private static function inUnit(OrderedValues $values, ?int $decimals): array
    {
        $own = $values->decimals();
        $scale = $decimals === null || $own === null ? 1 : 10 ** ($decimals - $own);
        $all = $often = [];
        foreach ($values->slices() as [$slice, $counts]) {
            foreach ($slice as $i => $value) {
                $all[] = match (true) {
                    $decimals !== null => $value * $scale,
                    $own === null => $value,
                    default => $value / 10 ** $own,
                };
                $often[] = $counts[$i];
            }
        }

        return [$all, $often];
    }

    /**
     * @param list<int|float> $a
     * @param list<int>       $aCounts
     * @param list<int|float> $b
     * @param list<int>       $bCounts
     *
     * @return array{list<int|float>, list<int>}
     */
    private static function merged(array $a, array $aCounts, array $b, array $bCounts): array
    {
        $values = $counts = [];
        [$i, $j, $m, $n] = [0, 0, count($a), count($b)];
        while ($i < $m || $j < $n) {
            $takesA = $j === $n || ($i < $m && $a[$i] <= $b[$j]);
            $takesB = $i === $m || ($j < $n && $b[$j] <= $a[$i]);
            $values[] = $takesA ? $a[$i] : $b[$j];
            $counts[] = ($takesA ? $aCounts[$i] : 0) + ($takesB ? $bCounts[$j] : 0);
            $i += $takesA ? 1 : 0;
            $j += $takesB ? 1 : 0;
        }

        return [$values, $counts];
    }

    /**
     * @param list<int|float> $values
     * @param list<int>       $counts
     */
    private static function counted(array $values, array $counts, ?int $decimals): ValueCounts
    {
        return $decimals === null
            ? ValueCounts::ofDoubles(array_map(static fn(int|float $value): float => (float) $value, $values), $counts)
            : ValueCounts::ofIntegers(array_map(static fn(int|float $value): int => (int) $value, $values), $counts, $decimals);
    }
}
