<?php

declare(strict_types=1);

namespace App\Imports;

use App\Models\Import;
use App\Models\ImportShare;
use App\Models\ImportStatus;
use App\Models\Upload;
use Illuminate\Support\Facades\Storage;

/**
 * What a process that died has left behind: imports that nobody works at are taken up again or end, and files that belong to none are
 * removed. Run by every worker now and then, and when the application starts.
 */
final readonly class SweepImports
{
    /** A queue may be long; to be put into it twice does no harm. */
    private const QUEUED_AGAIN_AFTER_SECONDS = 60;
    private const FORGOTTEN_AFTER_SECONDS = 3600;
    private const AT_ONCE = 50;

    public function __construct(private ImportFile $importFile, private ReadInShares $shares, private ReceiveParts $parts) {}

    public function imports(): void
    {
        $this->shares->sweep($this->importFile);
        foreach ($this->silent(ImportStatus::Running, ImportHold::SILENT_AFTER_SECONDS) as $import) {
            if (ImportShare::query()->where('import_id', $import->id)->where('run', $import->run)->exists()) {
                // It waits for its shares.
                continue;
            }
            if ($import->attempts >= ImportHold::MOST_ATTEMPTS) {
                $this->importFile->fail($import);
            } elseif ($this->touched($import, ['status' => ImportStatus::Queued, 'run' => null])) {
                RunImport::dispatch($import->id);
            }
        }
        foreach ($this->silent(ImportStatus::Queued, self::QUEUED_AGAIN_AFTER_SECONDS) as $import) {
            if ($this->touched($import, [])) {
                RunImport::dispatch($import->id);
            }
        }
    }

    /** Uploads that no open import reads, and copies whose process is gone. */
    public function files(): void
    {
        $this->parts->sweep();
        /** @var list<string> $uploads */
        $uploads = Storage::files('uploads');
        foreach ($uploads as $path) {
            if (Storage::lastModified($path) < time() - self::FORGOTTEN_AFTER_SECONDS && !Import::query()->where('path', $path)->whereIn('status', [...ImportStatus::open(), ImportStatus::Done])->exists() && !Upload::query()->where('path', $path)->exists()) {
                Storage::delete($path);
            }
        }
        $copies = glob(sys_get_temp_dir() . '/rowtally*');
        foreach ($copies === false ? [] : $copies as $path) {
            if (is_file($path) && fileowner($path) === posix_geteuid() && (int) @filemtime($path) < time() - self::FORGOTTEN_AFTER_SECONDS) {
                @unlink($path);
            }
        }
    }

    /** @return iterable<Import> */
    private function silent(ImportStatus $status, int $seconds): iterable
    {
        $silent = Import::query();
        $silent->where('status', $status)->where('beat_at', '<', time() - $seconds)->limit(self::AT_ONCE);

        return $silent->get();
    }

    /** @param array<string, mixed> $values */
    private function touched(Import $import, array $values): bool
    {
        $same = Import::query()->whereKey($import->id)->where('status', $import->status)->where('beat_at', $import->beat_at);

        return $same->update([...$values, 'beat_at' => time()]) === 1;
    }
}
