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
 * Skewness: how lopsided the values are; positive with a longer upper tail.
 *
 * Definition  g₁ = m₃ / m₂^1.5 for a population; G₁ = g₁·√(n(n − 1)) / (n − 2) for a sample.
 * Unit        none.
 * Undefined   Reason::AllValuesAreEqual; Reason::NeedsThreeValues for a sample of fewer; Reason::NeedsOneValue when n = 0.
 * When        to say which side has the longer tail, with twenty values or more.
 * Misleads    A single far row can make it; between groups of few values differences are chance.
 * Source      Joanes & Gill, The Statistician 47 (1998) 183–189.
 * Accuracy    1e-12 relative on well-scaled data.
 * Cost        one pass over the distinct values, shared with `Kurtosis`.
 */
final readonly class Skewness extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('skewness', 'Skewness', 'G₁', 'g₁', ShownAs::Ratio);
    }

    public function dependsOn(): array
    {
        return [Convention::Divisor];
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $population = $basis->takenAs === SampleOrPopulation::Population;
        $g = Written::number($observations->shape()->skewness);
        $n = Written::size($observations);

        return new Steps(
            $population ? 'g₁ = {m₃}/{m₂^1.5}, m_k = {Σ(x − µ)^k}/{N}' : 'G₁ = g₁·{√{n(n − 1)}}/{n − 2}, g₁ = {m₃}/{m₂^1.5}, m_k = {Σ(x − x̄)^k}/{n}',
            [
                Written::mean($observations, $basis->takenAs),
                'm₂ = ' . Written::number($observations->variance(SampleOrPopulation::Population) ?? 0),
                "g₁ = {$g}",
                ...($population ? [] : ["G₁ = {$g}·{√{{$n}·({$n} − 1)}}/{{$n} − 2} = " . Written::number($this->of($observations, $basis)->number() ?? 0)]),
            ],
            'Joanes & Gill, The Statistician 47 (1998) 183–189',
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $n = Exact::toFloat($observations->size()) ?? 0.0;
        if ($basis->takenAs === SampleOrPopulation::Sample && $n <= 2.0) {
            return Figure::undefined(Reason::NeedsThreeValues);
        }
        if ($observations->allEqual()) {
            return Figure::undefined(Reason::AllValuesAreEqual);
        }

        return $basis->takenAs === SampleOrPopulation::Population ? Figure::double($observations->shape()->skewness) : Figure::double($observations->shape()->skewness * sqrt($n * ($n - 1.0)) / ($n - 2.0));
    }
}
