<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Values\OrderedValues;

/** The micro-plot of a number variable: the counts of a handful of classes, for a look and not for reading off. */
final class Sketch
{
    private const BARS = 12;

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
        $width = RoundNumbers::stepAtLeast($range->dividedBy(self::BARS - 1));
        if ($values->decimals() === 0 && $width->isLessThan(1)) {
            $width = BigDecimal::one();
        }
        $start = RoundNumbers::floorTo($min->toBigRational(), $width);
        $number = RoundNumbers::floorTo($values->at($n)->toBigRational(), $width)->minus($start)->toBigRational()->dividedBy($width)->toInt() + 1;

        return Histogram::of($values, new Classes($start, $width, $number), ClassEdge::Left)->counts;
    }
}
