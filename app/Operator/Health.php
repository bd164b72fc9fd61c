<?php

declare(strict_types=1);

namespace App\Operator;

use App\Files\StoredFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Throwable;

/** Whether the server can do its work. */
final class Health
{
    private const LEAST_FREE_BYTES = 1 << 30;
    private const QUEUE_STANDS_AFTER_SECONDS = 600;

    /** @return list<string> what stands in its way, in words; none when it is well */
    public static function troubles(): array
    {
        try {
            DB::select('select 1');
        } catch (Throwable) {
            return ['The database does not answer.'];
        }
        $troubles = [];
        if (StoredFile::isHere() && !is_writable(Storage::path(''))) {
            $troubles[] = 'The storage folder cannot be written.';
        }
        if (StoredFile::isHere() && (float) disk_free_space(Storage::path('')) < self::LEAST_FREE_BYTES) {
            $troubles[] = 'The disk is nearly full: less than a gigabyte is free.';
        }
        try {
            if (array_filter(Queues::NAMES, static fn(string $queue): bool => Queues::oldestSeconds($queue) > self::QUEUE_STANDS_AFTER_SECONDS) !== []) {
                $troubles[] = 'Work has waited in the queue for more than ten minutes.';
            }
        } catch (Throwable) {
            $troubles[] = 'The queue does not answer.';
        }

        return $troubles;
    }
}
