<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Range: how far apart the largest and the smallest value are.
 *
 * Definition  x₍ₙ₎ − x₍₁₎.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * When        to say from where to where, and to find errors of typing.
 * Misleads    Two rows decide it, and it grows with the number of rows: ranges of groups of unlike sizes cannot be compared.
 * Source      no convention involved.
 * Accuracy    exact, then correctly rounded.
 * Cost        two look-ups.
 */
final readonly class Range extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('range', 'Range', '', '', ShownAs::Unit);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $low = $observations->values->at(1);
        $high = $observations->values->at($observations->n());

        return new Steps('largest − smallest', [Written::number($high) . ' − ' . Written::inside($low) . ' = ' . Written::number($high->minus($low))], 'no convention involved', true);
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::ofTheData($observations->values->at($observations->n())->minus($observations->values->at(1))->toBigRational());
    }
}
