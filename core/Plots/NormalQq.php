<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Distributions\Normal;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;

/**
 * Normal Q–Q plot: each value against the one expected at its rank in a normal distribution. On a straight line the values are normal.
 *
 * Definition  the i-th smallest value at z with F(z) = (i − 3/8)/(n + 1/4); the line runs through the quartiles of the basis.
 * Unit        values in the unit of the variable, z without one.
 * Undefined   no points with fewer than 2 values, where their range leaves the doubles, or under counts that are not whole; no line where the quartiles are equal.
 * Source      Blom, Statistical Estimates and Transformed Beta-Variables (1958).
 * Accuracy    z to 1e-15.
 * Cost        at most `MOST` look-ups by rank: beyond, ranks are thinned in the middle, where neighbours lie on one another.
 */
final readonly class NormalQq
{
    public const MOST = 2000;
    /** At either end every value has its point. */
    private const AT_THE_ENDS = 200;

    /**
     * @param list<array{z: float, value: float, rank: int}> $points ascending
     * @param array{slope: float, intercept: float}|null     $line
     */
    private function __construct(
        public array $points,
        public ?array $line,
        public int $n,
    ) {}

    public static function of(Observations $observations, Basis $basis): self
    {
        $n = $observations->n();
        if ($n < 2 || !$observations->hasWholeCounts() || !$observations->canBeDrawn()) {
            return new self([], null, $n);
        }
        $points = array_map(static fn(int $rank): array => [
            'z' => Normal::quantile(($rank - 0.375) / ($n + 0.25)),
            'value' => (float) (string) $observations->values->at($rank),
            'rank' => $rank,
        ], self::ranks($n));
        $quartiles = $observations->quartiles($basis->quartileRule);
        // The difference is taken exactly: on a large offset the doubles of both have lost it.
        $slope = (Exact::toFloat($quartiles->interquartileRange()) ?? 0.0) / (2 * Normal::quantile(0.75));
        $middle = Exact::toFloat($quartiles->q1->plus($quartiles->q3)->dividedBy(2));

        return new self($points, $slope > 0.0 && $middle !== null ? ['slope' => $slope, 'intercept' => $middle] : null, $n);
    }

    /** @return list<int> */
    private static function ranks(int $n): array
    {
        if ($n <= self::MOST) {
            return range(1, $n);
        }
        $ranks = [...range(1, self::AT_THE_ENDS), ...range($n - self::AT_THE_ENDS + 1, $n)];
        $between = self::MOST - 2 * self::AT_THE_ENDS;
        $step = ($n - 2 * self::AT_THE_ENDS) / $between;
        for ($i = 0; $i < $between; ++$i) {
            $ranks[] = self::AT_THE_ENDS + 1 + (int) floor($i * $step);
        }
        sort($ranks);

        return array_values(array_unique($ranks));
    }
}
