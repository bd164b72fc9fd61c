<?php

declare(strict_types=1);

namespace App\Framework;

use Illuminate\Database\LostConnectionDetector;
use Throwable;

/** A node of the database that has left the others is as good as one that is gone: another is asked. */
final class ClusterLost extends LostConnectionDetector
{
    public function causedByLostConnection(Throwable $e): bool
    {
        return str_contains($e->getMessage(), ClusterHosts::NOT_READY) || parent::causedByLostConnection($e);
    }
}
