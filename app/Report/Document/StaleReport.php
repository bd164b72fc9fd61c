<?php

declare(strict_types=1);

namespace App\Report\Document;

use RuntimeException;

/** A report was changed elsewhere meanwhile. */
final class StaleReport extends RuntimeException
{
    public function __construct(public readonly int $version)
    {
        parent::__construct('This report was changed in another window meanwhile. Look at it as it is now, and make the change again.');
    }
}
