<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Observations;

/**
 * Classes for a histogram when nobody has chosen any: round edges that cover every value.
 *
 * Definition  the width that Freedman–Diaconis asks for (Sturges' number of classes when n < 30 or the IQR is 0), moved to the
 *             nearest of 1, 2, 2.5, 5 × 10^k, at most `MAX` classes; the first edge is the multiple of the width at or below the
 *             smallest value. Whole numbers with a small range get one class each, centred on it.
 * Unit        the unit of the variable.
 * Undefined   for no values.
 * Source      see `ClassRule`.
 * Accuracy    edges are exact decimals.
 * Cost        two quartiles.
 */
final class AutomaticClasses
{
    public const MAX = 100;
    private const FEW_VALUES = 30;
    private const FEW_CLASSES = 6;
    private const ONE_CLASS_EACH = 20;

    /**
     * @throws InvalidInput when there are no values
     */
    public static function for(Observations $observations, ClassRule $rule = ClassRule::FreedmanDiaconis): Classes
    {
        $values = $observations->values;
        $n = $values->n();
        if ($n === 0) {
            throw InvalidInput::noValues('A class');
        }
        $min = $values->at(1);
        $max = $values->at($n);
        if ($rule === ClassRule::FreedmanDiaconis && $values->decimals() === 0 && $max->minus($min)->isLessThan(self::ONE_CLASS_EACH)) {
            return new Classes($min->minus('0.5'), BigDecimal::one(), $max->minus($min)->toInt() + 1);
        }
        if ($min->isEqualTo($max)) {
            return self::around($min);
        }
        $range = $max->minus($min)->toBigRational();
        $wanted = self::width($observations, $range, $rule);
        $width = RoundNumbers::stepNear($wanted);
        $least = $range->dividedBy(self::MAX - 1);
        if ($width->compareTo($least) < 0) {
            $width = RoundNumbers::stepAtLeast($least);
        }

        return self::covering($min, $max, $width);
    }

    /**
     * Some six classes, to split rows by.
     *
     * @throws InvalidInput when there are no values
     */
    public static function few(Observations $observations): Classes
    {
        $classes = self::for($observations);
        if ($classes->number <= self::FEW_CLASSES || $classes->areCentredOnWholeNumbers()) {
            return $classes;
        }
        $min = $observations->values->at(1);
        $max = $observations->values->at($observations->n());

        return self::covering($min, $max, RoundNumbers::stepNear($max->minus($min)->toBigRational()->dividedBy(self::FEW_CLASSES)));
    }

    private static function width(Observations $observations, BigRational $range, ClassRule $rule): BigRational
    {
        $byRule = $rule === ClassRule::FreedmanDiaconis && $observations->n() < self::FEW_VALUES ? null : $rule->width($observations);
        if ($byRule === null) {
            return $range->dividedBy(ClassRule::Sturges->number($observations) ?? 1);
        }
        $width = BigDecimal::of(Exact::shortestText($byRule))->toBigRational();

        return $width->compareTo($range) > 0 ? $range : $width;
    }

    private static function covering(BigDecimal $min, BigDecimal $max, BigDecimal $width): Classes
    {
        $start = RoundNumbers::floorTo($min->toBigRational(), $width);
        $last = RoundNumbers::floorTo($max->toBigRational(), $width);
        $number = $last->minus($start)->toBigRational()->dividedBy($width)->toInt();
        // The outermost class is closed at both ends, so a largest value on an edge needs no class of its own.
        $number += $last->isEqualTo($max) && $number > 0 ? 0 : 1;

        return new Classes($start, $width, $number);
    }

    /** One class for values that are all equal, a unit of their last decimal wide. */
    private static function around(BigDecimal $value): Classes
    {
        $width = BigDecimal::ofUnscaledValue(1, max(0, $value->getScale()));

        return new Classes($value->minus($width->multipliedBy('0.5')), $width, 1);
    }
}
