<?php

declare(strict_types=1);

namespace RowTally\Core\Quantiles;

use Brick\Math\BigRational;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\OrderedValues;

/**
 * The median of a run of ranks: the middle value, or the mean of the two middle ones.
 *
 * Definition  for ranks a to b: x₍m₎ with m = (a + b)/2 when that is whole, else the mean of the values on either side of it.
 * Unit        the variable's unit.
 * Undefined   for no values (the caller asks only for a ≤ b).
 * Source      the common definition; no convention involved.
 * Accuracy    exact.
 * Cost        one or two look-ups by rank.
 */
final class MiddleValue
{
    public static function of(OrderedValues $values): BigRational
    {
        return self::ofRanks($values, 1, $values->n());
    }

    public static function ofRanks(OrderedValues $values, int $from, int $to): BigRational
    {
        $lower = $values->at(intdiv($from + $to, 2))->toBigRational();
        if (($from + $to) % 2 === 0) {
            return $lower;
        }

        return Exact::simplest($lower->plus($values->at(intdiv($from + $to, 2) + 1))->dividedBy(2));
    }
}
