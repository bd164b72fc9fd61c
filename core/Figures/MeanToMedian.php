<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Mean ÷ median: a rough gauge of symmetry; 0.95 to 1.05 is near symmetric.
 *
 * Definition  x̄ / x̃.
 * Unit        none.
 * Undefined   Reason::MedianIsZero; Reason::NeedsOneValue when n = 0.
 * When        for a first look at symmetry, of values far from 0.
 * Misleads    Add the same to every value and it changes: it is a gauge for amounts and no measure of shape.
 * Source      no convention involved.
 * Accuracy    exact, then correctly rounded.
 * Cost        that of both.
 */
final readonly class MeanToMedian extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('mean_to_median', 'Mean ÷ median', '', '', ShownAs::Ratio);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return new Steps(
            '{x̄}/{x̃}; between 0.95 and 1.05 the two halves are about alike',
            [Written::mean($observations, $basis->takenAs), '{' . Written::number($observations->mean()) . '}/{' . Written::number($observations->median()) . '} = ' . Written::number($observations->mean()->dividedBy($observations->median()))],
            'a rule of thumb',
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $median = $observations->median();

        return $median->isZero() ? Figure::undefined(Reason::MedianIsZero) : self::ratio($observations, $median);
    }

    /** Of doubles both are taken as the doubles they are: a mean is summed from those, a median read as decimal text. */
    private static function ratio(Observations $observations, BigRational $median): Figure
    {
        return $observations->values->decimals() !== null
            ? Figure::exact($observations->mean()->dividedBy($median))
            : Figure::double((Exact::toFloat($observations->mean()) ?? NAN) / (Exact::toFloat($median) ?? NAN));
    }
}
