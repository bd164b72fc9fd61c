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
 * Geometric mean: the n-th root of the product.
 *
 * Definition  (Π x^f)^(1/n) = exp(Σ f·ln x / n).
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsPositiveValues with any x ≤ 0; Reason::NeedsOneValue when n = 0.
 * When        for ratios, growth and values that span powers of ten.
 * Misleads    It lies below the mean, and has no answer as soon as one value is 0 or less.
 * Source      no convention involved.
 * Accuracy    1e-14 relative.
 * Cost        one pass over the distinct values.
 */
final readonly class GeometricMean extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('geometric_mean', 'Geometric mean', '', '', ShownAs::Unit);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return new Steps(
            '(x₁·x₂·…·xₙ)^(1/n) = exp({Σ ln x}/{n})',
            [
                'Σ ln x / n = {' . Written::sum($observations, static fn(string $x): string => "ln {$x}") . '}/{' . Written::size($observations) . '} = ' . Written::number(self::meanLogarithm($observations)),
                'exp(' . Written::number(self::meanLogarithm($observations)) . ') = ' . Written::number(exp(self::meanLogarithm($observations))),
            ],
            'no convention involved',
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        if ($observations->values->at(1)->isNegativeOrZero()) {
            return Figure::undefined(Reason::NeedsPositiveValues);
        }

        return Figure::double(exp(self::meanLogarithm($observations)));
    }

    private static function meanLogarithm(Observations $observations): float
    {
        $sum = new CompensatedSum();
        foreach ($observations->values->slices() as [$values, $counts]) {
            foreach ($values as $i => $value) {
                $sum->add($counts[$i] * log((float) $value));
            }
        }

        return $sum->value() / $observations->n() - ($observations->values->decimals() ?? 0) * M_LN10;
    }
}
