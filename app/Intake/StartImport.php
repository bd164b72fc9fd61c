<?php

declare(strict_types=1);

namespace App\Intake;

use App\Jobs\RunImport;
use App\Models\Import;
use App\Models\ImportStatus;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use RuntimeException;

/** Keeps an uploaded file or a pasted text until it is read, and puts its import into the queue once somebody says so. */
final readonly class StartImport
{
    private const LONGEST_TITLE = 200;

    public function __construct(private RememberDecisions $rememberDecisions) {}

    /**
     * @throws NotATable when the file cannot be read as a table; nothing of it is kept then
     */
    public function keepFile(User $user, UploadedFile $file, ?string $title): Import
    {
        $name = $file->getClientOriginalName();
        $path = $file->store('uploads');
        if ($path === false) {
            throw new RuntimeException('The uploaded file could not be kept.');
        }

        return $this->keep($user, $path, $name, $title ?? pathinfo($name, PATHINFO_FILENAME));
    }

    /** @throws NotATable */
    public function keepText(User $user, string $text, ?string $title): Import
    {
        $path = 'uploads/' . Str::random(40) . '.txt';
        if (!Storage::put($path, $text) || Storage::size($path) !== strlen($text)) {
            Storage::delete($path);
            throw new RuntimeException('The pasted text could not be kept whole.');
        }

        return $this->keep($user, $path, 'pasted text', $title ?? 'Pasted on ' . now()->format('j F, H:i'));
    }

    /** Begins to read a file that is waiting; one that has begun already goes on as it is. */
    public function begin(Import $import): Import
    {
        $changed = Import::query()->whereKey($import->id)->where('status', ImportStatus::Waiting)->update(['status' => ImportStatus::Queued]);
        $import->refresh();
        if ($changed === 1) {
            $this->rememberDecisions->keep($import);
            RunImport::dispatch($import->id);
            $import->refresh();
        }

        return $import;
    }

    /**
     * Keeps a file that is in the storage already.
     *
     * @throws NotATable
     */
    public function keep(User $user, string $path, string $name, string $title): Import
    {
        try {
            [$decisions, $encoding] = $this->rememberDecisions->for($user, Storage::path($path), $name);
        } catch (NotATable $notATable) {
            Storage::delete($path);
            throw $notATable;
        }

        return $user->imports()->create([
            'title' => mb_substr($title, 0, self::LONGEST_TITLE),
            'file_name' => $name,
            'path' => $path,
            'status' => ImportStatus::Waiting,
            'decisions' => $decisions->toArray(),
            'encoding' => $encoding,
            'bytes_total' => Storage::size($path),
            'bytes_read' => 0,
            'rows_read' => 0,
        ]);
    }
}
