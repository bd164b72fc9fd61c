<?php

declare(strict_types=1);

namespace App\Files;

use PDOException;
use RuntimeException;
use Throwable;

/** The disk of the server is full: a file could not be written whole. */
final class NoRoom extends RuntimeException
{
    public function __construct()
    {
        parent::__construct('The disk of the server is full, so nothing of this was kept. Tell whoever runs it, and try again once there is room.');
    }

    /** Whether this is what the database says of its own disk: the table is full, or there is no space left. */
    public static function isMeantBy(Throwable $thrown): bool
    {
        return $thrown instanceof self || ($thrown instanceof PDOException && preg_match('/\b(?:1114|1021)\b|errno: 28\b|No space left/', $thrown->getMessage()) === 1);
    }
}
