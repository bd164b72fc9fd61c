<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Distributions\Normal;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Share within the mean ± 1, 2 or 3 standard deviations; of a normal distribution 68.27, 95.45 and 99.73 %.
 *
 * Definition  the share of values x with |x − x̄| ≤ k·s, ends included; the standard deviation of the basis.
 * Unit        none.
 * Undefined   as the standard deviation.
 * When        to see how well mean and SD describe these values.
 * Misleads    A share near 68 % does not make them normal: look at the picture.
 * Source      no convention but the divisor.
 * Accuracy    decided exactly, also for values that sit on an end.
 * Cost        two binary searches.
 */
final readonly class ShareWithinDeviations extends NamedStatistic
{
    public function __construct(public int $k)
    {
        parent::__construct("within_{$k}", "Within mean ± {$k} SD", "x̄ ± {$k}s", "µ ± {$k}σ", ShownAs::Share);
    }

    /** @return array{low: BigRational, high: BigRational, count: int}|null the ends, to 60 digits at least, and how many values lie between; null without a spread */
    public function bounds(Observations $observations, Basis $basis): ?array
    {
        $variance = $observations->n() === 0 ? null : $observations->variance($basis->takenAs);
        if ($variance === null) {
            return null;
        }
        $reach = Exact::squareRootRatio($variance)->multipliedBy($this->k);
        $low = $observations->mean()->minus($reach);
        $high = $observations->mean()->plus($reach);

        return ['low' => $low, 'high' => $high, 'count' => $observations->values->countHeld($high, true) - $observations->values->countHeld($low, false)];
    }

    public function expectedShare(): float
    {
        return Normal::within((float) $this->k);
    }

    public function dependsOn(): array
    {
        return [Convention::Divisor];
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $bounds = $this->bounds($observations, $basis);
        $mean = Written::meanSymbol($basis->takenAs);
        $spread = Written::spreadSymbol($basis->takenAs);
        if ($bounds === null) {
            return new Steps("share of values from {$mean} − {$this->k}{$spread} to {$mean} + {$this->k}{$spread}", [], '');
        }
        $count = Written::count($bounds['count'], $observations->countDecimals);

        return new Steps(
            "share of values from {$mean} − {$this->k}{$spread} to {$mean} + {$this->k}{$spread}, ends included; of a normal distribution " . round(100 * $this->expectedShare(), 2) . ' %',
            [
                ...(new StandardDeviation())->steps($observations, $basis)->lines,
                "{$mean} − {$this->k}{$spread} = " . Written::number($bounds['low']),
                "{$mean} + {$this->k}{$spread} = " . Written::number($bounds['high']),
                "{$count} of " . Written::size($observations) . " values lie between: {{$count}}/{" . Written::size($observations) . '} = ' . Written::number($this->of($observations, $basis)->number() ?? 0),
            ],
            'no convention but the divisor',
            true,
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $bounds = $this->bounds($observations, $basis);

        return $bounds === null ? Variance::tooFew($observations) : Figure::exact(BigRational::nd($bounds['count'], $observations->n()));
    }
}
