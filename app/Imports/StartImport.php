<?php

declare(strict_types=1);

namespace App\Imports;

use App\Files\NoRoom;
use App\Files\StoredFile;
use App\Intake\Decisions;
use App\Intake\NotATable;
use App\Models\Import;
use App\Models\ImportStatus;
use App\Models\Upload;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use SplFileInfo;
use Throwable;

/** Keeps an uploaded file or a pasted text until it is read, and puts its import into the queue once somebody says so. */
final readonly class StartImport
{
    private const LONGEST_TITLE = 200;

    public function __construct(private RememberDecisions $rememberDecisions) {}

    /**
     * @param string $name what the file is called where it comes from
     *
     * @throws NotATable when the file cannot be read as a table; nothing of it is kept then
     * @throws NoRoom
     */
    public function keepFile(User $user, SplFileInfo $file, string $name, ?string $title): Import
    {
        $path = 'uploads/' . Str::random(40);
        StoredFile::take($path, $file->getPathname());

        return $this->keep($user, $path, $name, $title ?? pathinfo($name, PATHINFO_FILENAME));
    }

    /**
     * A file that has come in parts and is whole.
     *
     * @throws NotATable
     */
    public function keepUpload(User $user, Upload $upload, ?string $title): Import
    {
        try {
            return $this->keep($user, $upload->path, $upload->file_name, $title ?? pathinfo($upload->file_name, PATHINFO_FILENAME));
        } finally {
            // From now on the file is the import's, or not there.
            $upload->delete();
        }
    }

    /** @throws NotATable */
    public function keepText(User $user, string $text, ?string $title): Import
    {
        $path = 'uploads/' . Str::random(40) . '.txt';
        StoredFile::put($path, $text);

        return $this->keep($user, $path, 'pasted text', $title ?? 'Pasted on ' . now()->format('j F, H:i'));
    }

    /** Begins to read a file that is waiting; one that has begun already goes on as it is. */
    public function begin(Import $import): Import
    {
        if ($import->status === ImportStatus::Waiting) {
            $this->rememberDecisions->keep($import);
            $queue = static function () use ($import): void {
                $changed = Import::query()->whereKey($import->id)->where('status', ImportStatus::Waiting)
                    ->update(['status' => ImportStatus::Queued, 'error' => null, 'beat_at' => time(), 'attempts' => 0]);
                if ($changed === 1) {
                    RunImport::dispatch($import->id)->beforeCommit();
                }
            };
            // Both or neither where the queue is in this database; elsewhere the sweep finds what is in no queue.
            config('queue.default') === 'database' ? DB::transaction($queue) : $queue();
        }

        return $import->refresh();
    }

    /**
     * Keeps a file that is in the storage already.
     *
     * @throws NotATable
     */
    public function keep(User $user, string $path, string $name, string $title): Import
    {
        try {
            $file = StoredFile::of($path);
            [$decisions, $encoding] = $this->rememberDecisions->for($user, $file->path, $name);
            $bytes = Storage::size($path);

            return $this->waiting($user, $path, $name, $title, $bytes, $decisions, $encoding);
        } catch (Throwable $thrown) {
            Storage::delete($path);
            throw $thrown;
        }
    }

    private function waiting(User $user, string $path, string $name, string $title, int $bytes, Decisions $decisions, ?string $encoding): Import
    {
        return $user->imports()->create([
            'title' => mb_substr($title, 0, self::LONGEST_TITLE),
            'file_name' => $name,
            'path' => $path,
            'status' => ImportStatus::Waiting,
            'decisions' => $decisions->toArray(),
            'encoding' => $encoding,
            'bytes_total' => $bytes,
            'bytes_read' => 0,
            'rows_read' => 0,
        ]);
    }
}
