<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Arithmetic mean x̄ (µ for a population): the sum of the values divided by how many there are.
 *
 * Definition  x̄ = Σ f·x / Σ f.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * When        where values add up to something (weights, costs), or lie evenly about their middle.
 * Misleads    A long tail or a few far values pull it towards them; nothing may lie near it where there are two heaps. Put the median beside it.
 * Source      no convention involved.
 * Accuracy    exact, then correctly rounded.
 * Cost        O(1) from merged power sums.
 */
final readonly class Mean extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('mean', 'Mean', 'x̄', 'µ', ShownAs::Unit);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $x = Written::meanSymbol($basis->takenAs);
        $n = Written::sizeSymbol($basis->takenAs);

        return new Steps(
            "{$x} = {Σx}/{{$n}}",
            [
                "{$x} = {" . Written::sum($observations, static fn(string $value): string => $value) . '}/{' . Written::size($observations) . '}',
                Written::mean($observations, $basis->takenAs),
            ],
            'no convention involved',
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::exact($observations->mean());
    }
}
