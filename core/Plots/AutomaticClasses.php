<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Resolution;

/**
 * Classes for a histogram when nobody has chosen any: round edges that cover every value.
 *
 * Definition  the width that Freedman–Diaconis asks for (Sturges' number of classes when n < 30 or the IQR is 0), moved to the
 *             nearest of 1, 2, 2.5, 5 × 10^k, at most `MAX` classes; the first edge is the multiple of the width at or below the
 *             smallest value. Of coarse values (`Resolution`) each class holds equally many possible ones, the last included: with at
 *             most `ONE_VALUE_EACH` steps one each, centred on it, unless a rule was asked for; otherwise a width is a multiple of the
 *             step, from a round number where classes are closed on the left, else half a step below the lowest value of each.
 * Unit        the unit of the variable.
 * Undefined   for no values.
 * When        leave them be at first; choose your own where readers know certain limits.
 * Misleads    Few classes hide heaps, and many show chance: try two widths before you say what the shape is.
 * Source      see `ClassRule`.
 * Accuracy    edges are exact decimals.
 * Cost        two quartiles.
 */
final class AutomaticClasses
{
    public const MAX = 100;
    private const FEW_VALUES = 30;
    private const DIGITS_OF_A_DOUBLE = 15;
    private const FEW_CLASSES = 6;
    private const FEW_VALUES_EACH = 20;
    private const ONE_VALUE_EACH = 25;

    /**
     * @throws InvalidInput when there are no values
     */
    public static function for(Observations $observations, ClassEdge $closed, ?ClassRule $rule = null): Classes
    {
        $values = $observations->values;
        $n = $values->n();
        if ($n === 0) {
            throw InvalidInput::noValues('A class');
        }
        $min = $values->at(1);
        $max = $values->at($n);
        if ($min->isEqualTo($max)) {
            return Classes::oneValueEach($min, self::lastUnit($min), 1);
        }
        $resolution = Resolution::of($values);
        if ($resolution !== null && $rule === null && $resolution->steps <= self::ONE_VALUE_EACH) {
            return Classes::oneValueEach($min, $resolution->step, $resolution->steps + 1);
        }
        $range = $max->minus($min)->toBigRational();
        $wanted = self::width($observations, $range, $rule ?? ClassRule::FreedmanDiaconis);
        $least = $range->dividedBy(self::MAX - 1);
        if ($resolution !== null) {
            return self::holdingEquallyMany($resolution, $wanted->isGreaterThan($least) ? $wanted : $least, $max, $closed);
        }
        $width = RoundNumbers::stepNear($wanted);
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
    public static function few(Observations $observations, ClassEdge $closed): Classes
    {
        $classes = self::for($observations, $closed);
        if ($classes->number <= self::FEW_CLASSES || ($classes->holdOneValueEach && $classes->number <= self::FEW_VALUES_EACH)) {
            return $classes;
        }
        $min = $observations->values->at(1);
        $max = $observations->values->at($observations->n());
        $wanted = $max->minus($min)->toBigRational()->dividedBy(self::FEW_CLASSES);
        $resolution = Resolution::of($observations->values);

        return $resolution === null ? self::covering($min, $max, RoundNumbers::stepNear($wanted)) : self::holdingEquallyMany($resolution, $wanted, $max, $closed);
    }

    /**
     * Classes of coarse values that hold equally many possible ones each.
     *
     * @param BigRational $wanted the width, more or less
     */
    public static function holdingEquallyMany(Resolution $resolution, BigRational $wanted, BigDecimal $max, ClassEdge $closed): Classes
    {
        $width = RoundNumbers::multipleNear($wanted, $resolution->step);
        $start = RoundNumbers::floorTo($resolution->lowest->toBigRational(), $width);
        // A value on an outer edge would be one too many for the class that is closed there.
        $number = $max->minus($start)->dividedBy($width, 0, RoundingMode::FLOOR)->toInt() + 1;

        return new Classes(
            $closed === ClassEdge::Left ? $start : $resolution->atLeast($start)->minus($resolution->step->multipliedBy('0.5')),
            $width,
            $number,
        );
    }

    /** @return array{?string, ?string} the next narrower classes of a round width and the next wider ones, in words; null where there are none */
    public static function nextWords(Classes $classes, Observations $observations, ClassEdge $closed): array
    {
        if (!$classes->areEqual()) {
            return [null, null];
        }
        $resolution = Resolution::of($observations->values);
        $max = $observations->values->at($observations->n());
        [$narrower, $wider] = RoundNumbers::next($classes->width, $resolution?->step);

        return [
            $narrower === null ? null : self::word($classes, $narrower, $resolution, $max, $closed),
            $wider === null ? null : self::word($classes, $wider, $resolution, $max, $closed),
        ];
    }

    private static function word(Classes $classes, BigDecimal $width, ?Resolution $resolution, BigDecimal $max, ClassEdge $closed): ?string
    {
        $next = match (true) {
            $resolution === null => new Classes(RoundNumbers::floorTo($classes->start->toBigRational(), $width), $width, 1),
            $width->isEqualTo($resolution->step) => Classes::oneValueEach($resolution->lowest, $width, 1),
            default => self::holdingEquallyMany($resolution, $width->toBigRational(), $max, $closed),
        };
        $isTooMany = $max->minus($next->start)->toBigRational()->isGreaterThan($next->width->multipliedBy(ClassChoice::MOST)->toBigRational());

        return $isTooMany ? null : Exact::plainDecimal($next->start) . ':' . Exact::plainDecimal($next->width);
    }

    /** A unit of the last decimal, and not less than a double can tell apart. */
    private static function lastUnit(BigDecimal $value): BigDecimal
    {
        $digits = strlen((string) $value->getUnscaledValue()->abs());
        $scale = min(max(0, $value->getScale()), $value->getScale() - $digits + self::DIGITS_OF_A_DOUBLE);

        return $scale >= 0 ? BigDecimal::ofUnscaledValue(1, $scale) : BigDecimal::of(10)->power(-$scale);
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
}
