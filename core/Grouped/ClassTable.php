<?php

declare(strict_types=1);

namespace RowTally\Core\Grouped;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Parsing\ClassLabel;
use RowTally\Core\Plots\Histogram;

/**
 * Classes with counts, made sure of: in order, without overlaps or gaps, open ones with an assumed width.
 *
 * Definition  rounded: boundaries half way between a limit and the next, midpoint of the limits; boundaries: the limits; completed: from
 *             a limit to the next class's, midpoint half way. An open class is as wide as its neighbour, measured by the stated limits.
 *             Boundaries, open widths and midpoints that somebody knows better take their place.
 * Unit        limits in the unit of the variable, counts in rows or the unit of the counts.
 * Undefined   refused with the two labels where classes overlap, leave a gap wider than the rounding unit or run backwards.
 * Source      no convention but what the limits stand for.
 * Accuracy    exact.
 * Cost        O(classes).
 */
final readonly class ClassTable
{
    /** @param non-empty-list<ClassRow> $rows ascending */
    private function __construct(
        public array $rows,
        public StatedLimits $limits,
        /** Between two stated limits; null where they are boundaries. */
        public ?BigRational $unit,
    ) {}

    /**
     * @param list<ClassLabel>  $classes in any order
     * @param list<BigRational> $counts  0 or more each
     *
     * @throws NotUnderstood
     */
    public static function of(array $classes, array $counts, ClassReading $reading = new ClassReading()): self
    {
        if ($classes === []) {
            throw NotUnderstood::noClassLabels();
        }
        $order = array_keys($classes);
        usort($order, static fn(int $a, int $b): int => self::place($classes[$a])->compareTo(self::place($classes[$b])));
        $sorted = array_map(static fn(int $i): ClassLabel => $classes[$i], $order);
        $limits = $reading->limits ?? StatedLimits::recognised($sorted);
        $amendments = $reading->amendments();
        $unit = $limits === StatedLimits::Boundaries ? BigRational::zero() : $amendments->unit?->toBigRational() ?? self::unit($sorted);
        [$lows, $highs] = self::filled($sorted, $unit);
        self::check($sorted, $lows, $highs, $unit);
        $rows = [];
        foreach ($sorted as $i => $class) {
            $half = $unit->dividedBy(2);
            [$lower, $upper] = $limits === StatedLimits::Completed ? [$lows[$i], $highs[$i]->plus($unit)] : [$lows[$i]->minus($half), $highs[$i]->plus($half)];
            $rows[] = new ClassRow(
                $class->label,
                $lows[$i],
                $highs[$i],
                $lower->simplified(),
                $upper->simplified(),
                $counts[$order[$i]],
                $class->low === null || $class->high === null,
                ($limits === StatedLimits::Completed ? $lower->plus($upper) : $lows[$i]->plus($highs[$i]))->dividedBy(2)->simplified(),
            );
        }

        return new self($amendments->areNone() ? $rows : self::amended($rows, $amendments), $limits, $limits === StatedLimits::Boundaries ? null : $unit);
    }

    /**
     * Classes that were made, not stated: their edges are the boundaries.
     *
     * @param int $countDecimals of the counts in the histogram
     */
    public static function ofHistogram(Histogram $histogram, int $countDecimals): self
    {
        $unit = BigInteger::ten()->power($countDecimals);
        $edges = array_map(static fn(int $i): BigRational => $histogram->classes->edge($i)->toBigRational(), range(0, $histogram->classes->number));
        $rows = [];
        foreach ($histogram->classes->labels($histogram->closed) as $i => $label) {
            [$lower, $upper] = [$edges[$i], $edges[$i + 1]];
            $rows[] = new ClassRow($label, $lower, $upper, $lower, $upper, BigRational::nd($histogram->counts[$i], $unit), false, $lower->plus($upper)->dividedBy(2));
        }

        return new self($rows, StatedLimits::Boundaries, null);
    }

    /**
     * @param non-empty-list<ClassRow> $rows
     *
     * @return non-empty-list<ClassRow>
     */
    private static function amended(array $rows, Amendments $amendments): array
    {
        $number = count($rows);
        foreach ([[$amendments->edges, $number], [$amendments->widths, $number - 1], [$amendments->middles, $number - 1]] as [$places, $last]) {
            if ($places !== [] && max(array_keys($places)) > $last) {
                throw NotUnderstood::noSuchClass(max(array_keys($places)), $last);
            }
        }
        $edges = [...array_map(static fn(ClassRow $row): BigRational => $row->lower, $rows), $rows[$number - 1]->upper];
        foreach ($amendments->edges as $i => $edge) {
            $edges[$i] = $edge->toBigRational();
        }
        foreach ($amendments->widths as $i => $width) {
            match (true) {
                !$rows[$i]->isOpen => throw NotUnderstood::widthIsStated($rows[$i]->label),
                $i === 0 => $edges[0] = $edges[1]->minus($width),
                default => $edges[$i + 1] = $edges[$i]->plus($width),
            };
        }
        $amended = [];
        foreach ($rows as $i => $row) {
            if ($edges[$i]->isGreaterThanOrEqualTo($edges[$i + 1])) {
                throw NotUnderstood::classBackwards($row->label);
            }
            $isMoved = !$edges[$i]->isEqualTo($row->lower) || !$edges[$i + 1]->isEqualTo($row->upper);
            $midpoint = isset($amendments->middles[$i]) ? $amendments->middles[$i]->toBigRational() : ($isMoved ? $edges[$i]->plus($edges[$i + 1])->dividedBy(2)->simplified() : $row->midpoint);
            if ($midpoint->isLessThan($edges[$i]) || $midpoint->isGreaterThan($edges[$i + 1])) {
                throw NotUnderstood::midpointOutside($row->label);
            }
            $amended[] = new ClassRow($row->label, $row->low, $row->high, $edges[$i]->simplified(), $edges[$i + 1]->simplified(), $row->count, $row->isOpen, $midpoint);
        }

        return $amended;
    }

    /** Where it stands among the others: open ones at the ends. */
    private static function place(ClassLabel $class): BigRational
    {
        return match (true) {
            $class->low === null => BigRational::of($class->high ?? 0)->minus('0.000001'),
            $class->high === null => BigRational::of($class->low)->plus('0.000001'),
            default => BigRational::of($class->low),
        };
    }

    /**
     * The smallest step from one class's limit to the next one's; of a single class a unit of its last decimal.
     *
     * @param list<ClassLabel> $classes
     */
    private static function unit(array $classes): BigRational
    {
        $unit = null;
        foreach ($classes as $i => $class) {
            $next = $classes[$i + 1] ?? null;
            if ($class->high !== null && $next?->low !== null && $class->isBoundInside && $next->isBoundInside) {
                $gap = $next->low->minus($class->high)->toBigRational();
                $unit = $gap->isPositive() && ($unit === null || $gap->isLessThan($unit)) ? $gap : $unit;
            }
        }
        if ($unit !== null) {
            return $unit;
        }
        $decimals = max(0, ...array_map(static fn(ClassLabel $class): int => max($class->low?->getScale() ?? 0, $class->high?->getScale() ?? 0), $classes));

        return BigDecimal::ofUnscaledValue(1, $decimals)->toBigRational();
    }

    /**
     * Stated limits of every class, those of open ones assumed.
     *
     * @param list<ClassLabel> $classes
     *
     * @return array{list<BigRational>, list<BigRational>}
     */
    private static function filled(array $classes, BigRational $unit): array
    {
        $bound = static fn(?BigDecimal $limit, BigRational $shift, bool $isInside): ?BigRational => $limit === null ? null : ($isInside ? $limit->toBigRational() : $limit->toBigRational()->plus($shift));
        $lows = array_map(static fn(ClassLabel $class): ?BigRational => $bound($class->low, $unit, $class->isBoundInside || $class->high !== null), $classes);
        $highs = array_map(static fn(ClassLabel $class): ?BigRational => $bound($class->high, $unit->negated(), $class->isBoundInside || $class->low !== null), $classes);
        $known = array_values(array_filter(array_keys($classes), static fn(int $i): bool => $lows[$i] !== null && $highs[$i] !== null));
        foreach ($classes as $i => $class) {
            if ($class->low !== null && $class->high !== null) {
                continue;
            }
            // The nearest class with both limits lends its width.
            $nearest = null;
            foreach ($known as $j) {
                $nearest = $nearest === null || abs($j - $i) < abs($nearest - $i) ? $j : $nearest;
            }
            if ($nearest === null) {
                throw NotUnderstood::onlyOpenClasses($class->label);
            }
            $width = ($highs[$nearest] ?? BigRational::zero())->minus($lows[$nearest] ?? BigRational::zero());
            $lows[$i] ??= ($highs[$i] ?? BigRational::zero())->minus($width);
            $highs[$i] ??= $lows[$i]->plus($width);
        }

        return [array_values(array_map(static fn(?BigRational $low): BigRational => $low ?? BigRational::zero(), $lows)), array_values(array_map(static fn(?BigRational $high): BigRational => $high ?? BigRational::zero(), $highs))];
    }

    /**
     * @param list<ClassLabel>  $classes
     * @param list<BigRational> $lows
     * @param list<BigRational> $highs
     */
    private static function check(array $classes, array $lows, array $highs, BigRational $unit): void
    {
        foreach ($classes as $i => $class) {
            if ($lows[$i]->isGreaterThan($highs[$i])) {
                throw NotUnderstood::classBackwards($class->label);
            }
            if ($unit->isZero() && $lows[$i]->isEqualTo($highs[$i])) {
                throw NotUnderstood::classWithoutWidth($class->label);
            }
            // An open class goes on to the end, whatever width it is given.
            $next = $classes[$i + 1] ?? null;
            if ($next !== null && ($class->high === null || $next->low === null)) {
                throw NotUnderstood::classesOverlap($class->label, $next->label);
            }
            if ($i === 0) {
                continue;
            }
            $gap = $lows[$i]->minus($highs[$i - 1]);
            if ($gap->isLessThan($unit)) {
                throw NotUnderstood::classesOverlap($classes[$i - 1]->label, $class->label);
            }
            if ($gap->isGreaterThan($unit)) {
                throw NotUnderstood::classesLeaveGap($classes[$i - 1]->label, $class->label);
            }
        }
    }
}
