<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Import;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/** Deletes a dataset with its columns, and the uploaded file that it came from. */
final class DeleteDataset
{
    public function delete(Dataset $dataset): void
    {
        $imports = Import::query()->where('dataset_id', $dataset->id)->get();
        DB::transaction(static function () use ($dataset, $imports): void {
            $imports->each(static fn(Import $import): ?bool => $import->delete());
            $dataset->delete();
        });
        Storage::delete($imports->map(static fn(Import $import): string => $import->path)->all());
    }
}
