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
 * 5 % trimmed mean: the mean of what is left when a twentieth of the values is taken off at each end.
 *
 * Definition  k = n/20 values go at each end, whole values first, the next one with what is left of k; the rest is divided by
 *             n − 2k.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * When        where a few far values must not decide, and a mean is still wanted.
 * Misleads    What is left out may be what matters; it is no longer the sum by the number.
 * Source      Tukey & McLaughlin, Sankhyā A 25 (1963) 331–352.
 * Accuracy    exact, then correctly rounded.
 * Cost        two partial sums over a twentieth of the distinct values each.
 */
final readonly class TrimmedMean extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('trimmed_mean_5', 'Trimmed mean, 5 % off each end', '', '', ShownAs::Unit);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $k = $observations->size()->dividedBy(20)->simplified();
        $kept = self::kept($observations)->dividedBy(10 ** $observations->countDecimals)->simplified();
        $divisor = $observations->size()->minus($k->multipliedBy(2))->simplified();

        return new Steps(
            'k = {n}/{20} values go at each end, the last of them in part; {sum of the rest}/{n − 2k}',
            [
                'k = {' . Written::size($observations) . '}/{20} = ' . Written::number($k),
                '{' . Written::number($kept) . '}/{' . Written::number($divisor) . '} = ' . Written::number($kept->dividedBy($divisor)),
            ],
            'Tukey & McLaughlin, Sankhyā A 25 (1963) 331–352',
            true,
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::exact(self::kept($observations)->dividedBy(BigRational::nd(9 * $observations->n(), 10)));
    }

    /** The sum of what is left, in the unit of the counts. */
    private static function kept(Observations $observations): BigRational
    {
        $n = $observations->n();
        $values = $observations->values;
        $whole = intdiv($n, 20);
        $part = BigRational::nd($n % 20, 20);

        return $observations->powerSums()->sum()
            ->minus($values->sumBetween(1, $whole))
            ->minus($values->sumBetween($n - $whole + 1, $n))
            ->minus($part->multipliedBy($values->at($whole + 1)->plus($values->at($n - $whole))));
    }
}
