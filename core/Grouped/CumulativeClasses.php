<?php

declare(strict_types=1);

namespace RowTally\Core\Grouped;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Parsing\ClassLabel;

/**
 * Classes of a cumulative table taken apart: "under 5, under 10, under 20" with counts that add up as they go are 0 to 5, 5 to 10 and
 * 10 to 20 with what each adds; "over 5, over 10" the other way round.
 *
 * Definition  all classes but one at the most are open on the same side. fᵢ = Fᵢ − Fᵢ₋₁ in the order in which they grow.
 * Unit        limits in the unit of the variable, counts in rows or the unit of the counts.
 * Undefined   refused where a count is smaller than one that it should hold.
 * Source      no convention involved.
 * Accuracy    exact.
 * Cost        O(classes).
 */
final readonly class CumulativeClasses
{
    private const FEWEST = 2;

    /**
     * @param list<ClassLabel> $classes taken apart, ascending
     * @param list<int>        $order   places of the cumulative ones, each holding all before it
     * @param list<ClassLabel> $stated  in that order
     */
    private function __construct(
        public array $classes,
        private array $order,
        private array $stated,
    ) {}

    /**
     * @param list<ClassLabel> $classes
     *
     * @return self|null null where they are not all open on one side
     */
    public static function of(array $classes): ?self
    {
        $below = array_keys(array_filter($classes, static fn(ClassLabel $class): bool => $class->low === null));
        $above = array_keys(array_filter($classes, static fn(ClassLabel $class): bool => $class->high === null));
        $isFromBelow = count($below) >= count($above);
        $order = $isFromBelow ? $below : $above;
        if (count($order) < self::FEWEST || count($order) < count($classes)) {
            return null;
        }
        $bound = static fn(int $i): BigDecimal => ($isFromBelow ? $classes[$i]->high : $classes[$i]->low) ?? BigDecimal::zero();
        usort($order, static fn(int $a, int $b): int => $isFromBelow ? $bound($a)->compareTo($bound($b)) : $bound($b)->compareTo($bound($a)));
        $stated = array_map(static fn(int $i): ClassLabel => $classes[$i], $order);
        $apart = [];
        foreach ($order as $place => $i) {
            $before = $place === 0 ? null : $bound($order[$place - 1]);
            $apart[] = match (true) {
                $before === null => $classes[$i],
                $isFromBelow => ClassLabel::of("{$before} to {$bound($i)}", $before, $bound($i), true),
                default => ClassLabel::of("{$bound($i)} to {$before}", $bound($i), $before, true),
            };
        }

        return new self($apart, $order, $stated);
    }

    /** @return array{string, string} labels of one class and of another that holds it */
    public function overlapping(): array
    {
        return [$this->stated[0]->label, $this->stated[1]->label];
    }

    /**
     * @param list<BigRational> $cumulative in the order of the classes as stated
     *
     * @return list<BigRational> of the classes taken apart
     *
     * @throws NotUnderstood when one is smaller than the one before
     */
    public function counts(array $cumulative): array
    {
        $counts = [];
        $before = BigRational::zero();
        foreach ($this->order as $place => $i) {
            if ($cumulative[$i]->isLessThan($before)) {
                throw NotUnderstood::notCumulative($this->stated[$place - 1]->label, $this->stated[$place]->label);
            }
            $counts[] = $cumulative[$i]->minus($before);
            $before = $cumulative[$i];
        }

        return $counts;
    }
}
