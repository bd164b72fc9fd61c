<?php

declare(strict_types=1);

namespace App\Imports;

use App\Models\Import;
use App\Models\ImportStatus;

/**
 * Ends a waiting or running import at once, whether anybody works at it or not: whoever does notices that it is in their hands no
 * longer. One that has ended stays as it ended.
 */
final readonly class CancelImport
{
    public function __construct(private ImportFile $importFile) {}

    public function cancel(Import $import): Import
    {
        $this->importFile->end($import, ImportStatus::Cancelled);

        return $import;
    }
}
