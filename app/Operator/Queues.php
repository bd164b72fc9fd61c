<?php

declare(strict_types=1);

namespace App\Operator;

use Illuminate\Support\Facades\Queue;

/** What waits for workers, wherever the queue is kept. */
final class Queues
{
    public const NAMES = ['default', 'imports', 'shares'];

    public static function waiting(string $queue): int
    {
        return Queue::connection()->pendingSize($queue);
    }

    public static function running(string $queue): int
    {
        return Queue::connection()->reservedSize($queue);
    }

    public static function oldestSeconds(string $queue): int
    {
        $since = Queue::connection()->creationTimeOfOldestPendingJob($queue);

        return $since === null ? 0 : max(0, time() - $since);
    }
}
