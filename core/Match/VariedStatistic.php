<?php

declare(strict_types=1);

namespace RowTally\Core\Match;

use Closure;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\ShownAs;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * A figure as others reckon it from the same one: kurtosis without the −3 at its end, a share written as a number of percent, an
 * interval by the normal distribution. It keeps the name of the figure; what is unlike it stands in the explanation.
 */
final readonly class VariedStatistic implements Statistic
{
    /** @param Closure(float, Observations): float $varied from the figure, where that has a value */
    public function __construct(
        private Statistic $origin,
        private string $definition,
        private Closure $varied,
    ) {}

    public function key(): string
    {
        return $this->origin->key();
    }

    public function label(): string
    {
        return $this->origin->label();
    }

    public function symbol(SampleOrPopulation $takenAs): string
    {
        return $this->origin->symbol($takenAs);
    }

    public function shownAs(): ShownAs
    {
        return $this->origin->shownAs() === ShownAs::Share ? ShownAs::Ratio : $this->origin->shownAs();
    }

    public function dependsOn(): array
    {
        return $this->origin->dependsOn();
    }

    public function of(Observations $observations, Basis $basis): Figure
    {
        $number = $this->origin->of($observations, $basis);

        return $number->number() === null ? $number : Figure::double(($this->varied)((float) $number->number(), $observations));
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $own = $this->origin->steps($observations, $basis);
        $number = $this->of($observations, $basis)->number() ?? 0;

        return new Steps($this->definition, [...$own->lines, "{$this->definition} = " . Written::number($number)], $own->source);
    }
}
