<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Intake\ImportFile;
use App\Models\Import;
use App\Models\ImportStatus;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/** Imports one uploaded file. Tried again after a worker was stopped in the middle of it. */
final class RunImport implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public int $timeout = 3 * 3600;

    public function __construct(private readonly int $importId) {}

    public function handle(ImportFile $importFile): void
    {
        $importFile->import(Import::query()->findOrFail($this->importId));
    }

    /** The last try has failed: say so, and leave nothing half-made. */
    public function failed(?Throwable $exception): void
    {
        $import = Import::query()->find($this->importId);
        if ($import !== null && $import->status->isOpen()) {
            app(ImportFile::class)->end(
                $import,
                ImportStatus::Failed,
                'Something went wrong on our side while the file was read; nothing was kept of it. Upload it again, and if that fails too, tell whoever runs this server (the log has the details).',
            );
        }
    }
}
