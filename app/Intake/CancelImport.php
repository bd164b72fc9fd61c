<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\Import;
use App\Models\ImportStatus;

/** Asks a waiting or running import to stop. One that has ended stays as it ended. */
final readonly class CancelImport
{
    public function cancel(Import $import): Import
    {
        Import::query()->whereKey($import->id)
            ->whereIn('status', [ImportStatus::Queued, ImportStatus::Running])
            ->update(['status' => ImportStatus::Cancelling]);

        return $import->refresh();
    }
}
