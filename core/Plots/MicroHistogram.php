<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\Resolution;

/** The micro-plot of a number variable: the counts of a handful of classes, for a look and not for reading off. */
final class MicroHistogram
{
    private const BARS = 12;
    /** So many different values have a bar each. */
    private const MOST_VALUES = 24;

    /** @return list<int> counts from the smallest values to the largest; empty when there are no values */
    public static function of(OrderedValues $values): array
    {
        $n = $values->n();
        if ($n === 0) {
            return [];
        }
        $min = $values->at(1);
        $range = $values->at($n)->minus($min)->toBigRational();
        if ($range->getSign() === 0) {
            return [$n];
        }
        $resolution = Resolution::of($values);
        if ($resolution !== null) {
            $classes = $resolution->steps < self::MOST_VALUES
                ? Classes::oneValueEach($min, $resolution->step, $resolution->steps + 1)
                : AutomaticClasses::holdingEquallyMany($resolution, $range->dividedBy(self::BARS), $values->at($n), ClassEdge::Left);

            return Histogram::of($values, $classes, ClassEdge::Left)->counts;
        }
        $width = RoundNumbers::stepAtLeast($range->dividedBy(self::BARS - 1));
        $start = RoundNumbers::floorTo($min->toBigRational(), $width);
        $number = RoundNumbers::floorTo($values->at($n)->toBigRational(), $width)->minus($start)->toBigRational()->dividedBy($width)->toInt() + 1;

        return Histogram::of($values, new Classes($start, $width, $number), ClassEdge::Left)->counts;
    }
}
