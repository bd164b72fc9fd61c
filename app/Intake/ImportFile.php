<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvFile;
use App\Jobs\OrderVariables;
use App\Models\Dataset;
use App\Models\Import;
use App\Models\ImportStatus;
use App\Store\DatasetWriter;
use Illuminate\Support\Facades\Storage;

/**
 * Turns an uploaded file into a dataset. Safe to run twice: it begins by clearing what an interrupted run left. A file that is
 * not a table, or an import that is cancelled, leaves no dataset.
 */
final readonly class ImportFile
{
    private const PROGRESS_EVERY_SECONDS = 0.25;

    public function __construct(private ReadTable $readTable) {}

    public function import(Import $import): void
    {
        if ($import->status === ImportStatus::Cancelling) {
            $this->end($import, ImportStatus::Cancelled);
        }
        if ($import->status !== ImportStatus::Queued && $import->status !== ImportStatus::Running) {
            // Ended already: the worker died between its end and the queue's knowing of it.
            return;
        }
        $began = microtime(true);
        $heldBefore = memory_get_usage();
        memory_reset_peak_usage();
        $this->discardDraft($import);
        $draft = Dataset::query()->create([
            'user_id' => $import->user_id,
            'title' => $import->title,
            'source' => $import->file_name,
            'notes' => [],
        ]);
        $import->update(['status' => ImportStatus::Running, 'dataset_id' => $draft->id]);
        try {
            $writer = new DatasetWriter($draft);
            $table = PreparedTable::of(Storage::path($import->path), $import->file_name, Decisions::fromArray($import->decisions ?? []), recognised: $import->encoding);
            $read = $this->readTable->read(
                CsvFile::open($table->path, $table->decisions, $table->isChecked),
                $writer,
                $this->progress($import),
                $table->decisions,
            );
            $reading = $read->withNotes($table->remarks);
            $writer->publish(
                $reading,
                "Imported from {$import->file_name}",
                $table->decisions->position($table->decisions->counts),
                $table->decisions->position($table->decisions->counted),
                // In one transaction: a worker that dies leaves both or neither, and a cancel before it counts.
                static function () use ($import, $reading, $began, $heldBefore): void {
                    $done = Import::query()->whereKey($import->id)->where('status', ImportStatus::Running)->update([
                        'status' => ImportStatus::Done,
                        'error' => null,
                        'bytes_read' => $import->bytes_total,
                        'rows_read' => $reading->rows,
                        'measured' => json_encode(['seconds' => microtime(true) - $began, 'peak_bytes' => memory_get_peak_usage() - $heldBefore + $reading->peakElsewhere], JSON_THROW_ON_ERROR),
                    ]);
                    if ($done !== 1) {
                        throw new ImportCancelled();
                    }
                },
            );
            $import->refresh();
            OrderVariables::dispatch($draft->id);
        } catch (NotATable $notATable) {
            // The file stays: other decisions may read it.
            $this->discardDraft($import);
            $import->update(['status' => ImportStatus::Waiting, 'error' => $notATable->finding->sentence(), 'bytes_read' => 0, 'rows_read' => 0]);
        } catch (ImportCancelled) {
            $this->end($import, ImportStatus::Cancelled);
        }
    }

    /** Ends an import without a dataset and leaves nothing half-made. */
    public function end(Import $import, ImportStatus $status, ?string $error = null): void
    {
        $this->discardDraft($import);
        Storage::delete($import->path);
        $import->update(['status' => $status, 'error' => $error]);
    }

    private function discardDraft(Import $import): void
    {
        if ($import->dataset_id !== null) {
            Dataset::query()->whereKey($import->dataset_id)->where('revision', 0)->delete();
            $import->update(['dataset_id' => null]);
        }
    }

    /** @return callable(int, int): void */
    private function progress(Import $import): callable
    {
        $last = microtime(true);

        return static function (int $bytesRead, int $rowsRead) use ($import, &$last): void {
            $now = microtime(true);
            if ($now - $last < self::PROGRESS_EVERY_SECONDS) {
                return;
            }
            $last = $now;
            // Only a running import takes progress: where nothing was updated, somebody has cancelled it.
            $updated = Import::query()->whereKey($import->id)->where('status', ImportStatus::Running)
                ->update(['bytes_read' => $bytesRead, 'rows_read' => $rowsRead]);
            if ($updated === 0 && Import::query()->whereKey($import->id)->value('status') !== ImportStatus::Running) {
                throw new ImportCancelled();
            }
        };
    }
}
