<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;

/**
 * Ordered strip: the values in order, each at its share of the rows, with the quarter cuts drawn through them. Sorting is a view.
 *
 * Definition  the i-th smallest value at (i − ½)/n; cuts at the quartiles of the basis and the median.
 * Unit        values in the unit of the variable, shares without one.
 * Undefined   no points without values, or where their range leaves the doubles.
 * Source      the empirical distribution function.
 * Accuracy    exact values, thinned to `MOST` ranks at equal distances.
 * Cost        at most `MOST` look-ups by rank.
 */
final readonly class OrderedStrip
{
    public const MOST = 500;

    /**
     * @param list<array{share: float, value: float}>               $points
     * @param list<array{name: string, share: float, value: float}> $cuts
     */
    private function __construct(
        public array $points,
        public array $cuts,
    ) {}

    public static function of(Observations $observations, Basis $basis): self
    {
        $n = $observations->n();
        if (!$observations->canBeDrawn()) {
            return new self([], []);
        }
        $points = [];
        $number = min($n, self::MOST);
        for ($i = 0; $i < $number; ++$i) {
            $rank = $number === 1 ? 1 : 1 + (int) round($i * ($n - 1) / ($number - 1));
            $points[] = ['share' => ($rank - 0.5) / $n, 'value' => (float) (string) $observations->values->at($rank)];
        }
        $quartiles = $observations->quartiles($basis->quartileRule);
        $cut = static fn(string $name, float $share, \Brick\Math\BigRational $value): array => ['name' => $name, 'share' => $share, 'value' => Exact::toFloat($value) ?? 0.0];

        return new self($points, [$cut('Q₁', 0.25, $quartiles->q1), $cut('x̃', 0.5, $observations->median()), $cut('Q₃', 0.75, $quartiles->q3)]);
    }
}
