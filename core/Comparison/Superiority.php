<?php

declare(strict_types=1);

namespace RowTally\Core\Comparison;

use ArrayObject;
use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\SiftedBuckets;

/**
 * The chance that a value of the second, drawn at random, exceeds one of the first; equal ones count half.
 *
 * Definition  (pairs with second > first + half the pairs that are equal) / (n₁·n₂).
 * Unit        none.
 * Undefined   where either has no values.
 * When        to tell a difference without units: which is more often the larger.
 * Misleads    It says how often and not how much: a tiny difference that is always there counts as 100.
 * Source      Vargha & Delaney, Journal of Educational and Behavioral Statistics 25 (2000) 101–132.
 * Accuracy    exact, whatever n. Decimals and doubles against one another are compared as doubles, the nearest to what was typed.
 * Cost        one walk through the distinct values of both.
 */
final readonly class Superiority
{
    /** Twice the pairs of a value with its counts stay below 2^62. */
    private const SAFE_PAIRS = 2.0e18;

    private function __construct(
        /** Held, so that no other takes its number while this is known. */
        public Observations $first,
        public BigRational $chance,
    ) {}

    /** For n of 1 or more in both; worked out once for the two. */
    public static function of(Observations $first, Observations $second): BigRational
    {
        return $second->remembered(self::over($first), static fn(): self => new self($first, self::walked($first, $second)))->chance;
    }

    /** Makes known what was worked out before. */
    public static function know(Observations $first, Observations $second, BigRational $superiority): void
    {
        $second->know(self::over($first), new self($first, $superiority));
    }

    private static function over(Observations $first): string
    {
        return 'superiority over ' . spl_object_id($first);
    }

    private static function walked(Observations $first, Observations $second): BigRational
    {
        [$one, $other] = [$first->values, $second->values];
        $isSafe = (float) $one->n() * (float) $other->n() < self::SAFE_PAIRS;
        $unit = self::unit($one, $other);
        $pairs = BigInteger::of($one->n())->multipliedBy($other->n())->multipliedBy(2);
        [$ones, $others] = [self::uncounted($one), self::uncounted($other)];
        if ($isSafe && $ones !== null && $others !== null) {
            return BigRational::nd(self::twicePairs(self::inOrder($first, $ones, $unit), self::inOrder($second, $others, $unit)), $pairs);
        }
        // The first is compared with several: it is laid out once.
        [$values, $counts] = self::laidOut($first, $unit);
        [$theirs, $theirCounts] = self::laidOut($second, $unit);
        // Twice the values of the first that lie below, and those that are equal once: a pair weighs 2 or 1.
        $twice = 0;
        $big = BigInteger::zero();
        $below = 0;
        $at = 0;
        $end = count($values);
        foreach ($theirs as $place => $value) {
            while ($at < $end && $values[$at] < $value) {
                $below += $counts[$at];
                ++$at;
            }
            $weight = 2 * $below + ($at < $end && $values[$at] === $value ? $counts[$at] : 0);
            if ($isSafe) {
                $twice += $theirCounts[$place] * $weight;
            } else {
                $big = $big->plus(BigInteger::of($theirCounts[$place])->multipliedBy($weight));
            }
        }

        return BigRational::nd($big->plus($twice), $pairs);
    }

    /**
     * The same of values each of which counts once: those below, and those below or equal.
     *
     * @param list<int|float> $first  ascending
     * @param list<int|float> $second ascending
     */
    private static function twicePairs(array $first, array $second): int
    {
        $end = count($first);
        $twice = $below = $upTo = 0;
        foreach ($second as $value) {
            while ($below < $end && $first[$below] < $value) {
                ++$below;
            }
            while ($upTo < $end && $first[$upTo] <= $value) {
                ++$upTo;
            }
            $twice += $below + $upTo;
        }

        return $twice;
    }

    /** @return int|null decimals in which both are whole numbers that a machine holds; null = both as doubles */
    private static function unit(OrderedValues $first, OrderedValues $second): ?int
    {
        [$one, $other] = [$first->decimals(), $second->decimals()];
        if ($one === null || $other === null) {
            return null;
        }
        $unit = max($one, $other);
        foreach ([$first, $second] as $values) {
            // To look for the largest may take a pass through all of them.
            if ($values->decimals() !== $unit && max(abs((float) (string) $values->at(1)), abs((float) (string) $values->at($values->n()))) * 10.0 ** $unit >= 9e18) {
                return null;
            }
        }

        return $unit;
    }

    /** @return array{list<int|float>, list<int>} distinct values, ascending, and how often each occurs */
    private static function laidOut(Observations $side, ?int $unit): array
    {
        $laid = $side->remembered('laid out ' . ($unit ?? 'as doubles'), static function (Observations $side) use ($unit): ArrayObject {
            $values = $counts = [];
            foreach ($side->values->slices() as [$slice, $often]) {
                $values[] = self::inUnit($slice, $side->values->decimals(), $unit);
                $counts[] = $often;
            }

            return new ArrayObject([array_merge(...$values), array_merge(...$counts)]);
        });
        /** @var array{list<int|float>, list<int>} $lists */
        $lists = $laid->getArrayCopy();

        return $lists;
    }

    /** The values where none was put in order or counted so far. */
    private static function uncounted(OrderedValues $values): ?SiftedBuckets
    {
        return $values instanceof BucketedValues && $values->buckets instanceof SiftedBuckets ? $values->buckets : null;
    }

    /** @return list<int|float> all values, ascending */
    private static function inOrder(Observations $side, SiftedBuckets $buckets, ?int $unit): array
    {
        $ordered = $side->remembered('in order ' . ($unit ?? 'as doubles'), static fn(Observations $side): ArrayObject => new ArrayObject(self::inUnit($buckets->sorted(), $side->values->decimals(), $unit)));
        /** @var list<int|float> $values */
        $values = $ordered->getArrayCopy();

        return $values;
    }

    /**
     * @param list<int|float> $slice
     *
     * @return list<int|float>
     */
    private static function inUnit(array $slice, ?int $decimals, ?int $unit): array
    {
        if ($unit === $decimals) {
            return $slice;
        }
        $scale = 10 ** ($unit === null ? (int) $decimals : $unit - (int) $decimals);

        return array_map(static fn(int|float $value): int|float => $unit === null ? $value / $scale + 0.0 : $value * $scale, $slice);
    }
}
