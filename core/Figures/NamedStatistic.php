<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;

/** What every statistic is called; how it is found is its own. */
abstract readonly class NamedStatistic implements Statistic
{
    protected function __construct(
        private string $key,
        private string $label,
        private string $sampleSymbol,
        private string $populationSymbol,
        private ShownAs $shownAs,
    ) {}

    final public function key(): string
    {
        return $this->key;
    }

    final public function label(): string
    {
        return $this->label;
    }

    final public function symbol(SampleOrPopulation $takenAs): string
    {
        return $takenAs === SampleOrPopulation::Sample ? $this->sampleSymbol : $this->populationSymbol;
    }

    final public function shownAs(): ShownAs
    {
        return $this->shownAs;
    }

    public function dependsOn(): array
    {
        return [];
    }

    final public function of(Observations $observations, Basis $basis): Figure
    {
        return $observations->n() === 0 && !$this->standsWithoutValues()
            ? Figure::undefined(Reason::NeedsOneValue)
            : $this->figure($observations, $basis);
    }

    /** For n of 1 or more. */
    abstract protected function figure(Observations $observations, Basis $basis): Figure;

    /** Whether the figure has a value without any value to take it from. */
    protected function standsWithoutValues(): bool
    {
        return false;
    }
}
