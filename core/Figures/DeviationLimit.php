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
 * Mean less, or plus, 1, 2 or 3 standard deviations.
 *
 * Definition  x̄ ∓ k·s, the standard deviation of the basis.
 * Unit        the unit of the variable.
 * Undefined   as the standard deviation.
 * When        to tell values that lie far out in units of the spread.
 * Misleads    The limits can lie where no value is possible, such as below 0: then mean and SD are a bad description.
 * Source      no convention but the divisor.
 * Accuracy    of the exact root, to 60 digits at least, then correctly rounded.
 * Cost        that of the standard deviation.
 */
final readonly class DeviationLimit extends NamedStatistic
{
    public function __construct(private int $k, private bool $isUpper)
    {
        $sign = $isUpper ? '+' : '−';
        parent::__construct(($isUpper ? 'plus' : 'minus') . "_{$k}sd", "Mean {$sign} {$k} SD", "x̄ {$sign} {$k}s", "µ {$sign} {$k}σ", ShownAs::Unit);
    }

    public function dependsOn(): array
    {
        return [Convention::Divisor];
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $symbols = Written::meanSymbol($basis->takenAs) . ($this->isUpper ? ' + ' : ' − ') . $this->k . Written::spreadSymbol($basis->takenAs);
        $value = $this->of($observations, $basis)->number();

        return new Steps(
            $symbols,
            $value === null ? [] : [
                ...(new StandardDeviation())->steps($observations, $basis)->lines,
                "{$symbols} = " . Written::number($value),
            ],
            'no convention but the divisor',
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $bounds = (new ShareWithinDeviations($this->k))->bounds($observations, $basis);

        return $bounds === null ? Variance::tooFew($observations) : Figure::exact($this->isUpper ? $bounds['high'] : $bounds['low']);
    }
}
