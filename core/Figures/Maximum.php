<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Maximum: the largest value.
 *
 * Definition  x₍ₙ₎.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * When        for the ends of what was seen, and to find errors of typing.
 * Misleads    It is one row, which may be a slip; with more rows it only goes up.
 * Source      no convention involved.
 * Accuracy    exact.
 * Cost        one look-up.
 */
final readonly class Maximum extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('max', 'Maximum', '', '', ShownAs::Unit);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return new Steps('the largest value', [Written::number($observations->values->at($observations->n()))], 'no convention involved', true);
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::ofTheData($observations->values->at($observations->n())->toBigRational());
    }
}
