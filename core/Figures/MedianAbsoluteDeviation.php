<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\QuantileSteps;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Median absolute deviation: the median of the distances from the median, no factor.
 *
 * Definition  median of |x − x̃|.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * When        beside a median, where far values must not decide the spread.
 * Misleads    No factor is applied here: it is about two thirds of a standard deviation of normal values. It is 0 where more than half of the values
 *             are alike.
 * Source      Hampel, JASA 69 (1974) 383–393.
 * Accuracy    exact, then correctly rounded.
 * Cost        O(log² n): the distances on either side of the median are in order already.
 */
final readonly class MedianAbsoluteDeviation extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('mad', 'Median absolute deviation', 'MAD', 'MAD', ShownAs::Unit);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $median = Written::number($observations->median());

        return new Steps(
            'MAD = median of |x − x̃|',
            [...QuantileSteps::median($observations), "x̃ = {$median}", 'MAD = median of the distances from it = ' . Written::number(self::deviation($observations))],
            'Hampel, JASA 69 (1974) 383–393',
            true,
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::exact(self::deviation($observations));
    }

    private static function deviation(Observations $observations): BigRational
    {
        $n = $observations->n();
        $median = $observations->median();
        $low = self::distance($observations, $median, intdiv($n + 1, 2));

        return $n % 2 === 1 ? $low : $low->plus(self::distance($observations, $median, intdiv($n, 2) + 1))->dividedBy(2)->simplified();
    }

    /** The $rank-th smallest distance: how many of the nearest are taken from below the median is found by halving. */
    private static function distance(Observations $observations, BigRational $median, int $rank): BigRational
    {
        $values = $observations->values;
        $n = $observations->n();
        $split = $values->countUpTo($median);
        $below = static fn(int $i): BigRational => $median->minus($values->at($split + 1 - $i));
        $above = static fn(int $i): BigRational => BigRational::of($values->at($split + $i))->minus($median);
        $least = max(0, $rank - ($n - $split));
        $most = min($rank, $split);
        while ($least < $most) {
            $from = intdiv($least + $most, 2);
            // Too few from below while the next one there is nearer than the last one taken from above.
            if ($below($from + 1)->isLessThan($above($rank - $from))) {
                $least = $from + 1;
            } else {
                $most = $from;
            }
        }
        if ($least === 0) {
            return $above($rank);
        }
        if ($least === $rank) {
            return $below($rank);
        }
        [$left, $right] = [$below($least), $above($rank - $least)];

        return $left->isGreaterThan($right) ? $left : $right;
    }
}
