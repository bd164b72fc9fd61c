<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Excess kurtosis: how heavy the tails are beside a normal distribution, which has 0.
 *
 * Definition  g₂ = m₄ / m₂² − 3 for a population; G₂ = ((n + 1)g₂ + 6)(n − 1) / ((n − 2)(n − 3)) for a sample.
 * Unit        none.
 * Undefined   Reason::AllValuesAreEqual; Reason::NeedsFourValues for a sample of fewer; Reason::NeedsOneValue when n = 0.
 * When        to say whether more values lie far out than in a normal distribution.
 * Misleads    It speaks of the tails, never of a peak. A single far row can make it.
 * Source      Joanes & Gill, The Statistician 47 (1998) 183–189.
 * Accuracy    1e-12 relative on well-scaled data.
 * Cost        one pass over the distinct values, shared with `Skewness`.
 */
final readonly class Kurtosis extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('kurtosis', 'Excess kurtosis', 'G₂', 'g₂', ShownAs::Ratio);
    }

    public function dependsOn(): array
    {
        return [Convention::Divisor];
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $population = $basis->takenAs === SampleOrPopulation::Population;
        $g = Written::number($observations->shape()->kurtosis);
        $inside = Written::inside($observations->shape()->kurtosis);
        $n = Written::size($observations);

        return new Steps(
            $population ? 'g₂ = {m₄}/{m₂²} − 3, m_k = {Σ(x − µ)^k}/{N}' : 'G₂ = {((n + 1)g₂ + 6)(n − 1)}/{(n − 2)(n − 3)}, g₂ = {m₄}/{m₂²} − 3, m_k = {Σ(x − x̄)^k}/{n}',
            [
                Written::mean($observations, $basis->takenAs),
                'm₂ = ' . Written::number($observations->variance(SampleOrPopulation::Population) ?? 0),
                "g₂ = {$g}",
                ...($population ? [] : ["G₂ = {(({$n} + 1)·{$inside} + 6)·({$n} − 1)}/{({$n} − 2)·({$n} − 3)} = " . Written::number($this->of($observations, $basis)->number() ?? 0)]),
            ],
            'Joanes & Gill, The Statistician 47 (1998) 183–189',
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $n = Exact::toFloat($observations->size()) ?? 0.0;
        if ($basis->takenAs === SampleOrPopulation::Sample && $n <= 3.0) {
            return Figure::undefined(Reason::NeedsFourValues);
        }
        if ($observations->allEqual()) {
            return Figure::undefined(Reason::AllValuesAreEqual);
        }
        $excess = $observations->shape()->kurtosis;
        if ($basis->takenAs === SampleOrPopulation::Population) {
            return Figure::double($excess);
        }

        return Figure::double((($n + 1.0) * $excess + 6.0) * ($n - 1.0) / (($n - 2.0) * ($n - 3.0)));
    }
}
