<?php

declare(strict_types=1);

namespace App\Imports;

use App\Files\StoredFile;
use App\Models\Dataset;
use App\Models\Import;
use App\Models\ImportStatus;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Sums up the file that a dataset came from (SHA-256), which reports name. Nobody waits for it: it takes a second for 100 MB. */
final class SumSource implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public int $timeout = 3600;

    public function __construct(private readonly int $datasetId) {}

    public function handle(): void
    {
        $dataset = Dataset::query()->find($this->datasetId);
        if ($dataset !== null) {
            self::of($dataset);
        }
    }

    /** Known, or summed up now; null where there is no file. */
    public static function of(Dataset $dataset): ?string
    {
        if ($dataset->source_sha256 === null) {
            $import = Import::query()->where('dataset_id', $dataset->id)->where('status', ImportStatus::Done)->first();
            $file = $import instanceof Import ? StoredFile::of($import->path) : null;
            if ($file !== null && is_file($file->path)) {
                // Not the model's to save: what else of it has changed is for others to say.
                $sum = (string) hash_file('sha256', $file->path);
                Dataset::query()->whereKey($dataset->id)->update(['source_sha256' => $sum]);
                $dataset->source_sha256 = $sum;
                $dataset->syncOriginalAttribute('source_sha256');
            }
        }

        return $dataset->source_sha256;
    }
}
