<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\ScaledBound;
use RowTally\Core\Values\ValueCounts;

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

    /** The middle of each class as often as the class has values: what is left where only classes are told; null where machine integers do not hold it. */
    public function midpoints(): ?ValueCounts
    {
        $edges = $this->classes->unscaledEdges();
        if ($edges === null) {
            return null;
        }
        [$unscaled, $decimals] = $edges;
        $counts = [];
        foreach ($this->counts as $i => $count) {
            // Half the sum of two decimals has one decimal more.
            $counts[5 * ($unscaled[$i] + $unscaled[$i + 1])] = $count;
        }

        return ValueCounts::ofCountedIntegers($counts, $decimals + 1);
    }

    public static function of(OrderedValues $values, Classes $classes, ClassEdge $closed): self
    {
        return self::each([$values], $classes, $closed)[0];
    }

    /**
     * Of several groups over the same classes.
     *
     * @param list<OrderedValues> $groups
     *
     * @return list<self>
     */
    public static function each(array $groups, Classes $classes, ClassEdge $closed): array
    {
        $edges = array_map($classes->edge(...), range(0, $classes->number));
        $bounds = $scaled = [];
        foreach ($groups as $values) {
            $decimals = $values->decimals();
            if ($decimals === null) {
                $bounds = $bounds === [] ? array_map(static fn(BigDecimal $edge): BigRational => $edge->toBigRational(), $edges) : $bounds;
            } else {
                // Among whole numbers the edges are brought to their scale once, for all groups.
                $scaled[$decimals] ??= array_map(static fn(BigDecimal $edge): int => ScaledBound::ofDecimal($edge, $decimals, $closed === ClassEdge::Right), $edges);
            }
            $values->prefetch($decimals === null ? $bounds : $scaled[$decimals]);
        }
        $ends = [$edges[0]->toBigRational(), $edges[$classes->number]->toBigRational()];

        return array_map(static fn(OrderedValues $values): self => self::counted($values, $classes, $closed, $ends, $values->decimals() === null
            ? array_map(static fn(BigRational $edge): int => $closed === ClassEdge::Left ? $values->countBelow($edge) : $values->countUpTo($edge), $bounds)
            : array_map($values->countBelowUnscaled(...), $scaled[$values->decimals()])), $groups);
    }

    /**
     * @param array{BigRational, BigRational} $ends first and last edge
     * @param list<int>                       $upTo how many values lie below each edge, with those on it where it is closed on the right
     */
    private static function counted(OrderedValues $values, Classes $classes, ClassEdge $closed, array $ends, array $upTo): self
    {
        $number = $classes->number;
        [$first, $last] = $ends;
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
