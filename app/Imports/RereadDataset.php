<?php

declare(strict_types=1);

namespace App\Imports;

use App\Export\DataPackageWriter;
use App\Export\ExportDataset;
use App\Files\StoredFile;
use App\Intake\NotATable;
use App\Models\Dataset;
use App\Models\Import;
use App\Models\User;
use App\Store\RowsQuestion;
use Illuminate\Support\Str;

/**
 * Puts the rows of a dataset before intake once more, as a data package: there their columns can be stacked, made one block, or
 * left out, and become a dataset of their own. The first one stays as it is.
 */
final readonly class RereadDataset
{
    public function __construct(private ExportDataset $exportDataset, private StartImport $startImport) {}

    /** @throws NotATable when it has no rows */
    public function reread(Dataset $dataset, User $user): Import
    {
        $path = 'uploads/' . Str::random(40) . '.zip';
        StoredFile::write($path, fn($out) => (new DataPackageWriter())->write($this->exportDataset->table($dataset, new RowsQuestion()), $out));

        return $this->startImport->keep($user, $path, "rows of {$dataset->title}.zip", "{$dataset->title}, stacked");
    }
}
