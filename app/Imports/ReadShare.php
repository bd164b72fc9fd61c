<?php

declare(strict_types=1);

namespace App\Imports;

use App\Models\Import;
use App\Models\ImportShare;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/** Reads some columns of a very long file. Tried again after a worker was stopped in the middle of it. */
final class ReadShare implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public int $timeout = 3 * 3600;

    public function __construct(private readonly int $shareId)
    {
        // Behind whole imports: a short file never waits for all shares of a long one.
        $this->onQueue('shares');
    }

    public function handle(ReadInShares $shares): void
    {
        $share = ImportShare::query()->find($this->shareId);
        if ($share !== null && !$shares->read($share)) {
            // Not marked as taken: the sweep offers it again.
            report('A share of an import was planned by another version of the program; it is left to workers of that one.');
        }
    }

    /** The last try has failed: say so, and leave nothing half-made. */
    public function failed(?Throwable $exception): void
    {
        $share = ImportShare::query()->find($this->shareId);
        $import = $share === null ? null : Import::query()->where('run', $share->run)->find($share->import_id);
        if ($import !== null) {
            app(ImportFile::class)->fail($import);
        }
    }
}
