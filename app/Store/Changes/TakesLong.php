<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Dataset;

/** A change that may take long where there are many rows. */
interface TakesLong extends Change
{
    /** Roughly how many steps it takes: a row for each part of a formula, say. */
    public function steps(Dataset $dataset): int;
}
