<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;

/** One statistic: how it is named, and how it is found. One class each, listed once in the `Catalogue`. */
interface Statistic
{
    /** The wire key, the same in the API, on the command line and in the reference cases. */
    public function key(): string;

    public function label(): string;

    /** The symbol for a sample or for a population; '' where the field has none. */
    public function symbol(SampleOrPopulation $takenAs): string;

    /** How the figure is shown. */
    public function shownAs(): ShownAs;

    /** @return list<Convention> on which conventions of the basis its value depends */
    public function dependsOn(): array;

    public function of(Observations $observations, Basis $basis): Figure;

    /** How the figure came about, for somebody who checks it by hand; only for a figure that has a value. */
    public function steps(Observations $observations, Basis $basis): Steps;
}
