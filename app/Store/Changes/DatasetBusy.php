<?php

declare(strict_types=1);

namespace App\Store\Changes;

use RuntimeException;

/** Another change of the dataset is being made and takes its time; this one was not made and may be asked for again. */
final class DatasetBusy extends RuntimeException
{
    public function __construct()
    {
        parent::__construct('Another change of this dataset is being made just now. This one was not made yet; try again in a moment.');
    }
}
