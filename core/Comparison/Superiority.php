<?php

declare(strict_types=1);

namespace RowTally\Core\Comparison;

use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use Generator;
use RowTally\Core\Values\OrderedValues;

/**
 * The chance that a value of the second, drawn at random, exceeds one of the first; equal ones count half.
 *
 * Definition  (pairs with second > first + half the pairs that are equal) / (n₁·n₂).
 * Unit        none.
 * Undefined   where either has no values.
 * Source      Vargha & Delaney, Journal of Educational and Behavioral Statistics 25 (2000) 101–132.
 * Accuracy    exact, whatever n. Decimals and doubles against one another are compared as doubles, the nearest to what was typed.
 * Cost        one walk through the distinct values of both.
 */
final class Superiority
{
    /** Twice the pairs of a value with its counts stay below 2^62. */
    private const SAFE_PAIRS = 2.0e18;

    /** For n of 1 or more in both. */
    public static function of(OrderedValues $first, OrderedValues $second): BigRational
    {
        $isSafe = (float) $first->n() * (float) $second->n() < self::SAFE_PAIRS;
        $unit = self::unit($first, $second);
        $walk = self::walk($first, $unit);
        // Twice the values of the first that lie below, and those that are equal once: a pair weighs 2 or 1.
        $twice = 0;
        $big = BigInteger::zero();
        $below = 0;
        foreach (self::walk($second, $unit) as $value => $count) {
            while ($walk->valid() && $walk->key() < $value) {
                $below += $walk->current();
                $walk->next();
            }
            $pairs = 2 * $below + ($walk->valid() && $walk->key() === $value ? $walk->current() : 0);
            if ($isSafe) {
                $twice += $count * $pairs;
            } else {
                $big = $big->plus(BigInteger::of($count)->multipliedBy($pairs));
            }
        }

        return BigRational::nd($big->plus($twice), BigInteger::of($first->n())->multipliedBy($second->n())->multipliedBy(2));
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

    /** @return Generator<int|float, int> distinct values, ascending, with how often each occurs */
    private static function walk(OrderedValues $values, ?int $unit): Generator
    {
        $decimals = $values->decimals();
        $scale = $unit === null || $decimals === null ? 1 : 10 ** ($unit - $decimals);
        foreach ($values->slices() as [$slice, $counts]) {
            foreach ($slice as $i => $value) {
                yield match (true) {
                    $unit !== null => $value * $scale,
                    $decimals === null => $value + 0.0,
                    default => (float) ($value / 10 ** $decimals),
                } => $counts[$i];
            }
        }
    }
}
