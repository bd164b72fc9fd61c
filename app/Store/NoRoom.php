<?php

declare(strict_types=1);

namespace App\Store;

use RuntimeException;

/** The disk of the server is full: a file could not be written whole. */
final class NoRoom extends RuntimeException
{
    public function __construct()
    {
        parent::__construct('The disk of the server is full, so nothing of this was kept. Tell whoever runs it, and try again once there is room.');
    }
}
