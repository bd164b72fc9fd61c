<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\Import;
use App\Models\ImportStatus;

/** Asks a waiting or running import to stop. One that has ended stays as it ended. */
final readonly class CancelImport
{
    public function __construct(private ImportFile $importFile) {}

    public function cancel(Import $import): Import
    {
        // Nobody works at one that waits for a decision, so it ends here.
        if (Import::query()->whereKey($import->id)->where('status', ImportStatus::Waiting)->update(['status' => ImportStatus::Cancelling]) === 1) {
            $this->importFile->end($import->refresh(), ImportStatus::Cancelled);
        }
        Import::query()->whereKey($import->id)
            ->whereIn('status', [ImportStatus::Queued, ImportStatus::Running])
            ->update(['status' => ImportStatus::Cancelling]);

        return $import->refresh();
    }
}
