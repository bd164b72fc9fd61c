<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\CompensatedSum;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Harmonic mean: the reciprocal of the mean reciprocal.
 *
 * Definition  n / Σ f/x.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsPositiveValues with any x ≤ 0; Reason::NeedsOneValue when n = 0.
 * When        for rates over the same distance or amount: speeds, prices for a fixed sum.
 * Misleads    The smallest values decide it; it is hardly ever what is meant for plain amounts.
 * Source      no convention involved.
 * Accuracy    1e-14 relative.
 * Cost        one pass over the distinct values.
 */
final readonly class HarmonicMean extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('harmonic_mean', 'Harmonic mean', '', '', ShownAs::Unit);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return new Steps(
            '{n}/{Σ(1/x)}',
            [
                'Σ(1/x) = ' . Written::sum($observations, static fn(string $x): string => "1/{$x}"),
                '{' . Written::size($observations) . '}/{Σ(1/x)} = ' . Written::number(self::mean($observations)),
            ],
            'no convention involved',
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        if ($observations->values->at(1)->isNegativeOrZero()) {
            return Figure::undefined(Reason::NeedsPositiveValues);
        }

        return Figure::double(self::mean($observations));
    }

    private static function mean(Observations $observations): float
    {
        $least = (float) (string) $observations->values->at(1);
        $first = null;
        $sum = new CompensatedSum();
        foreach ($observations->values->slices() as [$values, $counts]) {
            foreach ($values as $i => $value) {
                // In proportion to the smallest, so that no reciprocal leaves the doubles.
                $first ??= (float) $value;
                $sum->add($counts[$i] * ($first / $value));
            }
        }

        return $observations->n() / $sum->value() * $least;
    }
}
