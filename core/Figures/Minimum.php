<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Minimum: the smallest value.
 *
 * Definition  x₍₁₎.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * When        for the ends of what was seen, and to find errors of typing.
 * Misleads    It is one row, which may be a slip; with more rows it only goes down.
 * Source      no convention involved.
 * Accuracy    exact.
 * Cost        one look-up.
 */
final readonly class Minimum extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('min', 'Minimum', '', '', ShownAs::Unit);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return new Steps('the smallest value', [Written::number($observations->values->at(1))], 'no convention involved', true);
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::ofTheData($observations->values->at(1)->toBigRational());
    }
}
