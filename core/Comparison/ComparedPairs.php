<?php

declare(strict_types=1);

namespace RowTally\Core\Comparison;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Figures\Variance;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;

/**
 * The same rows earlier and later: the changes d = second − first of the rows that have both.
 *
 * Definition  every statistic of the d, by the basis; how many d > 0, < 0 and = 0; mean ∓ t·s/√n with n − 1 degrees of freedom, s
 *             the sample SD of the d; standardised change: mean ÷ s; Pearson's r over the rows with both.
 * Unit        the unit of the variables; standardised change and r none.
 * Undefined   with too few rows that have both, and where nothing varies.
 * When        for the same rows measured twice.
 * Misleads    What is extreme once is less so the next time by chance alone: rows chosen for being far out come back to the middle.
 * Source      Student, Biometrika 6 (1908) 1–25; Pearson, Proceedings of the Royal Society 58 (1895) 240–242.
 * Accuracy    exact but for roots and t: Σxy is (Σx² + Σy² − Σd²)/2. Of doubles the d are doubles.
 * Cost        the sums and quartiles of the d and the sums of both.
 */
final class ComparedPairs
{
    private ?Interval $interval = null;

    public function __construct(
        /** of the rows with both, as the two below */
        public readonly Observations $first,
        public readonly Observations $second,
        public readonly Observations $changes,
        /** how many rows there are, in the unit of the counts */
        public readonly int $rows,
        private readonly Basis $basis,
    ) {}

    public function basis(): Basis
    {
        return $this->basis;
    }

    public function size(): Figure
    {
        return $this->counted($this->changes->n());
    }

    public function rowCount(): Figure
    {
        return $this->counted($this->rows);
    }

    public function leftOut(): Figure
    {
        return $this->counted($this->rows - $this->changes->n());
    }

    /** A statistic of the changes. */
    public function ofChanges(Statistic $statistic): Figure
    {
        return $this->changes->n() === 0 ? Figure::undefined(Reason::NoPair) : $statistic->of($this->changes, $this->basis);
    }

    /** @return list<Figure> means of the first and of the second, over the rows with both */
    public function means(): array
    {
        return array_map(static fn(Observations $side): Figure => $side->n() === 0 ? Figure::undefined(Reason::NoPair) : Figure::exact($side->mean()), [$this->first, $this->second]);
    }

    public function rose(): int
    {
        return $this->changes->n() - $this->changes->values->countUpTo(BigRational::zero());
    }

    public function fell(): int
    {
        return $this->changes->values->countBelow(BigRational::zero());
    }

    public function stayed(): int
    {
        return $this->changes->n() - $this->rose() - $this->fell();
    }

    public function counted(int $rows): Figure
    {
        return Figure::rows($rows, $this->changes->countDecimals);
    }

    /** Of the mean change. */
    public function interval(): Interval
    {
        return $this->interval ??= $this->student();
    }

    public function standardisedChange(): Figure
    {
        $variance = $this->sampleVariance();
        if ($variance instanceof Reason) {
            return Figure::undefined($variance);
        }
        if ($variance->getSign() === 0) {
            return Figure::undefined(Reason::AllChangesAreEqual);
        }
        $mean = $this->changes->mean();
        $size = Exact::squareRoot($mean->multipliedBy($mean)->dividedBy($variance));

        return Figure::double($size === null || $mean->getSign() >= 0 ? $size : -$size);
    }

    public function correlation(): Figure
    {
        $variance = $this->sampleVariance();
        if ($variance instanceof Reason) {
            return Figure::undefined($variance);
        }
        [$xx, $yy] = [$this->first->squaredDeviations(), $this->second->squaredDeviations()];
        if ($xx->getSign() === 0 || $yy->getSign() === 0) {
            return Figure::undefined($xx->getSign() === $yy->getSign() ? Reason::NeitherVaries : Reason::OneDoesNotVary);
        }
        $xy = $xx->plus($yy)->minus($this->changes->squaredDeviations())->dividedBy(2);
        $size = Exact::squareRoot($xy->multipliedBy($xy)->dividedBy($xx->multipliedBy($yy)));

        return Figure::double($size === null ? null : min(1.0, $size) * ($xy->getSign() < 0 ? -1 : 1));
    }

    private function student(): Interval
    {
        $variance = $this->sampleVariance();
        if ($variance instanceof Reason) {
            return Interval::none($variance);
        }
        $mean = $this->changes->mean();

        return $variance->getSign() === 0
            ? Interval::point($mean)
            : Interval::about($mean, $variance->dividedBy($this->changes->size()), $this->changes->divisor(SampleOrPopulation::Sample), $this->basis);
    }

    private function sampleVariance(): BigRational|Reason
    {
        if ($this->changes->n() === 0) {
            return Reason::NoPair;
        }
        $tooFew = Variance::tooFew($this->changes)->reason;

        return $this->changes->variance(SampleOrPopulation::Sample) ?? ($tooFew === Reason::NeedsTwoValues || $tooFew === null ? Reason::NeedsTwoPairs : $tooFew);
    }
}
