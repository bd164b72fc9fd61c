<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Standard error of kurtosis: how far the kurtosis of a normal sample of this size strays from 0.
 *
 * Definition  2·SE(skewness)·√((n² − 1) / ((n − 3)(n + 5))); depends on n only.
 * Unit        none.
 * Undefined   Reason::NeedsFourValues; Reason::NeedsOneValue when n = 0.
 * When        to judge a kurtosis by the number of values.
 * Misleads    It knows the number of values alone: it holds for samples of a normal distribution.
 * Source      Cramér, Mathematical Methods of Statistics (1946) 386.
 * Accuracy    correctly rounded.
 * Cost        O(1).
 */
final readonly class KurtosisError extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('se_kurtosis', 'Standard error of kurtosis', '', '', ShownAs::Ratio);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $n = Written::size($observations);
        $skewness = (new SkewnessError())->steps($observations, $basis);

        return new Steps(
            '2·SE(skewness)·√{{n² − 1}/{(n − 3)(n + 5)}}',
            [...$skewness->lines, '2·' . Written::number((new SkewnessError())->of($observations, $basis)->number() ?? 0) . "·√{{{$n}² − 1}/{({$n} − 3)·({$n} + 5)}} = " . Written::number($this->of($observations, $basis)->number() ?? 0)],
            $skewness->source,
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $n = $observations->size();

        return $n->isLessThanOrEqualTo(3) ? Figure::undefined(Reason::NeedsFourValues) : Figure::rootOf(
            SkewnessError::square($n)->multipliedBy(4)->multipliedBy($n->multipliedBy($n)->minus(1))->dividedBy($n->minus(3)->multipliedBy($n->plus(5))),
        );
    }
}
