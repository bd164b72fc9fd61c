<?php

declare(strict_types=1);

namespace App\Imports;

use App\Files\NoRoom;
use App\Files\StoredFile;
use App\Intake\Csv\CsvFile;
use App\Intake\Decisions;
use App\Intake\PreparedTable;
use App\Intake\ReadTable;
use App\Models\Dataset;
use App\Models\Import;
use App\Models\ImportShare;
use App\Models\ImportStatus;
use App\Store\DatasetWriter;
use App\Store\OrderVariables;
use Illuminate\Support\Facades\Storage;
use Throwable;

/**
 * Turns an uploaded file into a dataset. Whoever reads it takes the import under a name of its own and beats while it works: one
 * that has gone silent is taken up by another, and what the first one still does counts no more. A file that is not a table, or an
 * import that is cancelled, leaves no dataset. Very long files are read by several workers (ReadInShares).
 */
final readonly class ImportFile
{
    private const FAILED = 'Something went wrong on our side while the file was read; nothing was kept of it. Upload it again, and if that fails too, tell whoever runs this server (the log has the details).';

    public function __construct(private ReadTable $readTable, private ReadInShares $shares) {}

    public function import(Import $import): void
    {
        $hold = ImportHold::take($import);
        if ($hold === null) {
            return;
        }
        $heldBefore = memory_get_usage();
        memory_reset_peak_usage();
        self::discardDraft($import);
        $draft = Dataset::query()->create(['user_id' => $import->user_id, 'title' => $import->title, 'source' => $import->file_name, 'notes' => [], ...Decisions::fromArray($import->decisions ?? [])->rowWords()]);
        try {
            $hold->write(['dataset_id' => $draft->id]);
            $beat = $hold->beat();
            $stored = StoredFile::of($import->path);
            $path = $stored->path;
            clearstatcache(true, $path);
            if (!is_file($path) || filesize($path) !== $import->bytes_total) {
                throw new NoRoom();
            }
            $draft->update(['source_bytes' => $import->bytes_total]);
            $writer = new DatasetWriter($draft);
            $table = PreparedTable::of($path, $import->file_name, Decisions::fromArray($import->decisions ?? []), recognised: $import->encoding, meanwhile: static fn() => $beat(0, 0));
            $file = CsvFile::open($table->path, $table->decisions, $table->isChecked);
            if ($table->path === $path && $this->shares->begin($hold, $file, $table->decisions, $writer)) {
                return;
            }
            $reading = $this->readTable->read($file, $writer, $beat, $table->decisions)->withNotes($table->remarks);
            $writer->publish(
                $reading,
                "Imported from {$import->file_name}",
                $table->decisions->position($table->decisions->counts),
                $table->decisions->position($table->decisions->counted),
                // In one transaction: a worker that dies leaves both or neither, and a cancel before it counts.
                static fn() => $hold->done($reading->rows, memory_get_peak_usage() - $heldBefore + $reading->peakElsewhere),
            );
            $import->refresh();
            OrderVariables::dispatch($draft->id);
            SumSource::dispatch($draft->id);
        } catch (Throwable $thrown) {
            if (!$hold->isSettled($thrown, $draft)) {
                $hold->giveBack($draft, ['status' => ImportStatus::Queued]);
                throw $thrown;
            }
        }
    }

    /** Ends an import that is open without a dataset and leaves nothing half-made; it needs nobody who works at it. */
    public function end(Import $import, ImportStatus $status, ?string $error = null): void
    {
        $ended = Import::query()->whereKey($import->id)->whereIn('status', ImportStatus::open())->update(['status' => $status, 'run' => null, 'error' => $error]);
        $import->refresh();
        if ($ended === 1) {
            self::discardDraft($import);
            ImportShare::query()->where('import_id', $import->id)->delete();
            Storage::delete($import->path);
        }
    }

    public function fail(Import $import): void
    {
        $this->end($import, ImportStatus::Failed, self::FAILED);
    }

    private static function discardDraft(Import $import): void
    {
        $draft = $import->dataset_id === null ? null : Dataset::query()->find($import->dataset_id);
        if ($draft !== null) {
            ImportHold::discard($draft);
        }
        $import->update(['dataset_id' => null]);
    }
}
