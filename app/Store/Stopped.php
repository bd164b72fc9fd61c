<?php

declare(strict_types=1);

namespace App\Store;

use RuntimeException;

/** Whoever waited for it does not want it any more. */
final class Stopped extends RuntimeException
{
    public function __construct()
    {
        parent::__construct('It was stopped before it was done.');
    }
}
