<?php

declare(strict_types=1);

namespace App\Operator;

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
        if (!is_writable(Storage::path(''))) {
            $troubles[] = 'The storage folder cannot be written.';
        }
        if ((float) disk_free_space(Storage::path('')) < self::LEAST_FREE_BYTES) {
            $troubles[] = 'The disk is nearly full: less than a gigabyte is free.';
        }
        if (DB::table('jobs')->whereNull('reserved_at')->where('available_at', '<', time() - self::QUEUE_STANDS_AFTER_SECONDS)->exists()) {
            $troubles[] = 'Work has waited in the queue for more than ten minutes.';
        }

        return $troubles;
    }
}
