<?php

declare(strict_types=1);

namespace App\Intake;

use App\Jobs\RunImport;
use App\Models\Import;
use App\Models\ImportStatus;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use RuntimeException;

/** Keeps an uploaded file and puts its import into the queue. */
final class StartImport
{
    private const LONGEST_TITLE = 200;

    public function start(User $user, UploadedFile $file, ?string $title): Import
    {
        $name = $file->getClientOriginalName();
        $path = $file->store('uploads');
        if ($path === false) {
            throw new RuntimeException('The uploaded file could not be kept.');
        }
        $import = $user->imports()->create([
            'title' => $title ?? mb_substr(pathinfo($name, PATHINFO_FILENAME), 0, self::LONGEST_TITLE),
            'file_name' => $name,
            'path' => $path,
            'status' => ImportStatus::Queued,
            'bytes_total' => (int) $file->getSize(),
            'bytes_read' => 0,
            'rows_read' => 0,
        ]);
        RunImport::dispatch($import->id);

        return $import;
    }
}
