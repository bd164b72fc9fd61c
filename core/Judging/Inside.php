<?php

declare(strict_types=1);

namespace RowTally\Core\Judging;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Observations\Outliers;
use RowTally\Core\Values\OrderedValues;
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

        return new Observations(
            ValueCounts::ofSlices(self::between($observations->values, $outliers->firstInside, $outliers->lastInside), $observations->values->decimals()),
            $observations->missing,
            $observations->countDecimals,
        );
    }

    /** @return iterable<array{list<int>|list<float>, list<int>}> those of some ranks; all of one value are in or out */
    private static function between(OrderedValues $values, int $first, int $last): iterable
    {
        $rank = 1;
        foreach ($values->slices() as [$slice, $often]) {
            $ranks = [];
            foreach ($often as $i => $count) {
                if ($rank >= $first && $rank <= $last) {
                    $ranks[$i] = $count;
                }
                $rank += $count;
            }
            if ($ranks !== []) {
                yield [array_values(array_intersect_key($slice, $ranks)), array_values($ranks)];
            }
        }
    }
}
