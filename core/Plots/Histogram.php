<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigRational;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Values\OrderedValues;

/**
 * How many values lie in each class.
 *
 * Definition  left: [a, b), the last class closed at both ends; right: (a, b], the first closed at both ends. Values outside all
 *             classes are counted below and above.
 * Unit        edges in the unit of the variable, counts in rows.
 * Undefined   never: no values give counts of 0.
 * Source      no convention but the side, which is part of the basis.
 * Accuracy    exact: values and edges are compared as decimals, so 0.3 lies on the edge 3 · 0.1.
 * Cost        one binary search an edge.
 */
final readonly class Histogram
{
    /** @param list<int> $counts one for each class */
    private function __construct(
        public Classes $classes,
        public ClassEdge $closed,
        public array $counts,
        public int $below,
        public int $above,
        /** How many values sit on the one outer edge that is closed only because it is the last (or the first). */
        public int $onOuterEdge,
    ) {}

    public function highest(): int
    {
        return max(0, ...$this->counts);
    }

    public static function of(OrderedValues $values, Classes $classes, ClassEdge $closed): self
    {
        $number = $classes->number;
        $values->foresee(array_map(static fn(int $i): BigRational => $classes->edge($i)->toBigRational(), range(0, $number)));
        $upTo = [];
        for ($i = 0; $i <= $number; ++$i) {
            $edge = $classes->edge($i)->toBigRational();
            $upTo[] = $closed === ClassEdge::Left ? $values->countBelow($edge) : $values->countUpTo($edge);
        }
        $first = $classes->start->toBigRational();
        $last = $classes->end()->toBigRational();
        $onOuterEdge = $closed === ClassEdge::Left
            ? $values->countUpTo($last) - $upTo[$number]
            : $upTo[0] - $values->countBelow($first);
        $counts = [];
        $outermost = $closed === ClassEdge::Left ? $number - 1 : 0;
        for ($i = 0; $i < $number; ++$i) {
            $counts[] = $upTo[$i + 1] - $upTo[$i] + ($i === $outermost ? $onOuterEdge : 0);
        }

        return new self(
            $classes,
            $closed,
            $counts,
            $values->countBelow($first),
            $values->n() - $values->countUpTo($last),
            $onOuterEdge,
        );
    }
}
