<?php

declare(strict_types=1);

namespace RowTally\Core\Judging;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Observations\Outliers;
use RowTally\Core\Values\ValueCounts;

/**
 * The values that lie on the fences of the basis or between them: what is left without the far ones.
 *
 * Definition  Tukey's fences as the basis has them; see `Outliers`.
 * Unit        the unit of the variable.
 * Undefined   none when there are no values.
 * Source      Tukey, Exploratory Data Analysis (1977), chapter 2.
 * Accuracy    decided exactly.
 * Cost        one pass over the distinct values.
 */
final class Inside
{
    public static function of(Observations $observations, Basis $basis): Observations
    {
        $outliers = Outliers::of($observations, $basis);
        if ($outliers->total === 0) {
            return $observations;
        }
        $values = $counts = [];
        $rank = 0;
        foreach ($observations->values->slices() as [$slice, $often]) {
            foreach ($slice as $i => $value) {
                // All of one value lie on the same side of a fence.
                if ($rank + 1 >= $outliers->firstInside && $rank + 1 <= $outliers->lastInside) {
                    $values[] = $value;
                    $counts[] = $often[$i];
                }
                $rank += $often[$i];
            }
        }
        $decimals = $observations->values->decimals();

        return new Observations(
            $decimals === null
                ? ValueCounts::ofDoubles(array_map(static fn(int|float $value): float => (float) $value, $values), $counts)
                : ValueCounts::ofIntegers(array_map(static fn(int|float $value): int => (int) $value, $values), $counts, $decimals),
            $observations->missing,
            $observations->countDecimals,
        );
    }
}
