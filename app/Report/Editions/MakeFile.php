<?php

declare(strict_types=1);

namespace App\Report\Editions;

use App\Models\EditionFile;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Makes one form of an edition. */
final class MakeFile implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;
    public int $timeout = 600;

    public function __construct(private readonly int $fileId) {}

    public function handle(EditionFiles $files): void
    {
        $file = EditionFile::query()->find($this->fileId);
        if ($file !== null) {
            $files->make($file);
        }
    }
}
