<?php

declare(strict_types=1);

namespace RowTally\Core\Comparison;

use ArrayObject;
use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\Runs;
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
            $pairs = 2 * $below + ($at < $end && $values[$at] === $value ? $counts[$at] : 0);
            if ($isSafe) {
                $twice += $theirCounts[$place] * $pairs;
            } else {
                $big = $big->plus(BigInteger::of($theirCounts[$place])->multipliedBy($pairs));
            }
        }

        return BigRational::nd($big->plus($twice), BigInteger::of($one->n())->multipliedBy($other->n())->multipliedBy(2));
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
            $largest = max(abs((float) (string) $values->at(1)), abs((float) (string) $values->at($values->n())));
            if ($values->decimals() !== $unit && $largest * 10.0 ** $unit >= 9e18) {
                return null;
            }
        }

        return $unit;
    }

    /** @return array{list<int|float>, list<int>} distinct values, ascending, and how often each occurs */
    private static function laidOut(Observations $side, ?int $unit): array
    {
        $laid = $side->remembered('laid out ' . ($unit ?? 'as doubles'), static function (Observations $side) use ($unit): ArrayObject {
            $decimals = $side->values->decimals();
            $values = $counts = [];
            foreach (self::slices($side->values) as [$slice, $often]) {
                $values[] = match (true) {
                    $unit === $decimals => $slice,
                    $unit !== null => self::times($slice, 10 ** ($unit - (int) $decimals)),
                    default => self::dividedBy($slice, 10 ** (int) $decimals),
                };
                $counts[] = $often;
            }

            return new ArrayObject([array_merge(...$values), array_merge(...$counts)]);
        });
        /** @var array{list<int|float>, list<int>} $lists */
        $lists = $laid->getArrayCopy();

        return $lists;
    }

    /** @return iterable<array{list<int>|list<float>, list<int>}> distinct values, ascending */
    private static function slices(OrderedValues $values): iterable
    {
        if (!$values instanceof BucketedValues || !$values->buckets instanceof SiftedBuckets) {
            return $values->slices();
        }
        // Not in order yet, and all of them are needed: to sort them at once takes less than one bucket after the other.
        $all = [];
        foreach ($values->buckets->unordered() as [$some]) {
            $all[] = $some;
        }
        $all = array_merge(...$all);
        sort($all);

        return [Runs::of($all)];
    }

    /**
     * @param list<int|float> $slice
     *
     * @return list<int|float>
     */
    private static function times(array $slice, int $scale): array
    {
        return array_map(static fn(int|float $value): int|float => $value * $scale, $slice);
    }

    /**
     * @param list<int|float> $slice
     *
     * @return list<float>
     */
    private static function dividedBy(array $slice, int $scale): array
    {
        return array_map(static fn(int|float $value): float => $value / $scale + 0.0, $slice);
    }
}
