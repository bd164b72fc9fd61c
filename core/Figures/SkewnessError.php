<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Standard error of skewness: how far the skewness of a normal sample of this size strays from 0.
 *
 * Definition  √(6n(n − 1) / ((n − 2)(n + 1)(n + 3))); depends on n only.
 * Unit        none.
 * Undefined   Reason::NeedsThreeValues; Reason::NeedsOneValue when n = 0.
 * When        to judge a skewness by the number of values.
 * Misleads    It knows the number of values alone: it holds for samples of a normal distribution.
 * Source      Cramér, Mathematical Methods of Statistics (1946) 386.
 * Accuracy    correctly rounded.
 * Cost        O(1).
 */
final readonly class SkewnessError extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('se_skewness', 'Standard error of skewness', '', '', ShownAs::Ratio);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $n = Written::size($observations);

        return new Steps(
            '√{{6n(n − 1)}/{(n − 2)(n + 1)(n + 3)}}',
            ["√{{6·{$n}·({$n} − 1)}/{({$n} − 2)·({$n} + 1)·({$n} + 3)}} = " . Written::number($this->of($observations, $basis)->number() ?? 0)],
            'Cramér, Mathematical Methods of Statistics (1946) 386',
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $n = $observations->size();

        return $n->isLessThanOrEqualTo(2) ? Figure::undefined(Reason::NeedsThreeValues) : Figure::rootOf(self::square($n));
    }

    public static function square(BigRational $n): BigRational
    {
        return $n->multipliedBy(6)->multipliedBy($n->minus(1))->dividedBy($n->minus(2)->multipliedBy($n->plus(1))->multipliedBy($n->plus(3)));
    }
}
