<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Values\Observations;

/** One statistic: how it is named, and how it is found. One class each, listed once in the `Catalogue`. */
interface Statistic
{
    /** The wire key, the same in the API, on the command line and in the reference cases. */
    public function key(): string;

    public function label(): string;

    /** The symbol for a sample or for a population; '' where the field has none. */
    public function symbol(TakenAs $takenAs): string;

    /** How the figure is shown. */
    public function shownAs(): ShownAs;

    public function of(Observations $observations, Basis $basis): Figure;
}
