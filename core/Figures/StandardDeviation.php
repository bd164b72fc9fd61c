<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Standard deviation s (σ for a population): the root of the variance, in the unit of the values.
 *
 * Definition  s = √s²;  σ = √σ².
 * Unit        the unit of the variable.
 * Undefined   as the variance, but for Reason::OutOfRange: the root of an exact ratio is taken before any rounding.
 * When        beside a mean, for values that lie evenly about it.
 * Misleads    Far values count with their square. About two thirds within one SD is true of a normal distribution and need not be of these; nothing
 *             says that mean − SD is a possible value.
 * Source      see `Variance`.
 * Accuracy    correctly rounded.
 * Cost        O(1) from merged power sums.
 */
final readonly class StandardDeviation extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('sd', 'Standard deviation', 's', 'σ', ShownAs::Unit);
    }

    public function dependsOn(): array
    {
        return [Convention::Divisor];
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $variance = (new Variance())->steps($observations, $basis);
        $symbol = $this->symbol($basis->takenAs);
        $square = $observations->variance($basis->takenAs);

        return new Steps(
            "{$symbol} = √{" . explode(' = ', $variance->definition, 2)[1] . '}',
            [...$variance->lines, "{$symbol} = √{" . Written::number($square ?? 0) . '} = ' . Written::number($this->of($observations, $basis)->number() ?? 0)],
            $variance->source,
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $variance = $observations->variance($basis->takenAs);

        return $variance === null ? Variance::tooFew($observations) : Figure::rootOf($variance);
    }
}
