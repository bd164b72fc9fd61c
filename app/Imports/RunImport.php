<?php

declare(strict_types=1);

namespace App\Imports;

use App\Models\Import;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/** Imports one uploaded file. Tried again after a worker was stopped in the middle of it. */
final class RunImport implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public int $timeout = 3 * 3600;

    public function __construct(private readonly int $importId)
    {
        // Two workers take these beside everything else, a third only everything else: a report never waits for two long imports.
        $this->onQueue('imports');
    }

    public function handle(ImportFile $importFile): void
    {
        $import = Import::query()->find($this->importId);
        if ($import !== null) {
            $importFile->import($import);
        }
    }

    /** The last try has failed: say so, and leave nothing half-made. */
    public function failed(?Throwable $exception): void
    {
        $import = Import::query()->find($this->importId);
        if ($import !== null) {
            app(ImportFile::class)->fail($import);
        }
    }
}
