<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Mean absolute deviation: how far the values lie from their mean, on average.
 *
 * Definition  Σ f·|x − x̄| / n.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * When        where a spread is to be told in plain words: so far from the mean on average.
 * Misleads    It is smaller than the standard deviation of the same values; the two are not to be compared.
 * Source      no convention involved.
 * Accuracy    exact, then correctly rounded.
 * Cost        one binary search and a partial sum.
 */
final readonly class MeanAbsoluteDeviation extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('mean_absolute_deviation', 'Mean absolute deviation', '', '', ShownAs::Unit);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $mean = Written::inside($observations->mean());
        $total = self::total($observations)->dividedBy(10 ** $observations->countDecimals);

        return new Steps(
            '{Σ|x − x̄|}/{n}',
            [
                Written::mean($observations, $basis->takenAs),
                'Σ|x − x̄| = ' . Written::sum($observations, static fn(string $x): string => "|{$x} − {$mean}|") . ' = ' . Written::number($total),
                '{' . Written::number($total) . '}/{' . Written::size($observations) . '} = ' . Written::number(self::total($observations)->dividedBy($observations->n())),
            ],
            'no convention involved',
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::exact(self::total($observations)->dividedBy($observations->n()));
    }

    /** Σ f·|x − x̄| in the unit of the counts: deviations above the mean add up to those below it, so twice the latter. */
    private static function total(Observations $observations): BigRational
    {
        $mean = $observations->mean();
        $below = $observations->values->countHeld($mean, false);

        return $mean->multipliedBy($below)->minus($observations->values->sumBetween(1, $below))->multipliedBy(2)->simplified();
    }
}
