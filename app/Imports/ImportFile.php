<?php

declare(strict_types=1);

namespace App\Imports;

use App\Files\NoRoom;
use App\Intake\Csv\CsvFile;
use App\Intake\Decisions;
use App\Intake\NotATable;
use App\Intake\PreparedTable;
use App\Intake\ReadTable;
use App\Models\Dataset;
use App\Models\Import;
use App\Models\ImportStatus;
use App\Store\DatasetWriter;
use App\Store\OrderVariables;
use Closure;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Throwable;

/**
 * Turns an uploaded file into a dataset. Whoever reads it takes the import under a name of its own and beats while it works: one
 * that has gone silent is taken up by another, and what the first one still does counts no more. A file that is not a table, or an
 * import that is cancelled, leaves no dataset.
 */
final readonly class ImportFile
{
    /** One that has not beaten for so long is worked at by nobody. */
    public const SILENT_AFTER_SECONDS = 30;
    public const MOST_ATTEMPTS = 3;
    private const BEAT_EVERY_SECONDS = 0.25;
    private const FAILED = 'Something went wrong on our side while the file was read; nothing was kept of it. Upload it again, and if that fails too, tell whoever runs this server (the log has the details).';

    public function __construct(private ReadTable $readTable) {}

    public function import(Import $import): void
    {
        $run = (string) Str::ulid();
        $began = microtime(true);
        if (!self::take($import, $run)) {
            // Ended, cancelled, or in other hands.
            return;
        }
        $import->refresh();
        $heldBefore = memory_get_usage();
        memory_reset_peak_usage();
        self::discardDraft($import);
        $draft = Dataset::query()->create(['user_id' => $import->user_id, 'title' => $import->title, 'source' => $import->file_name, 'notes' => [], ...Decisions::fromArray($import->decisions ?? [])->rowWords()]);
        try {
            self::write($import, $run, ['dataset_id' => $draft->id]);
            $beat = self::beat($import, $run);
            $path = Storage::path($import->path);
            clearstatcache(true, $path);
            if (!is_file($path) || filesize($path) !== $import->bytes_total) {
                throw new NoRoom();
            }
            $draft->update(['source_bytes' => $import->bytes_total, 'source_sha256' => (string) hash_file('sha256', $path)]);
            $writer = new DatasetWriter($draft);
            $table = PreparedTable::of($path, $import->file_name, Decisions::fromArray($import->decisions ?? []), recognised: $import->encoding, meanwhile: static fn() => $beat(0, 0));
            $read = $this->readTable->read(CsvFile::open($table->path, $table->decisions, $table->isChecked), $writer, $beat, $table->decisions);
            $reading = $read->withNotes($table->remarks);
            $writer->publish(
                $reading,
                "Imported from {$import->file_name}",
                $table->decisions->position($table->decisions->counts),
                $table->decisions->position($table->decisions->counted),
                // In one transaction: a worker that dies leaves both or neither, and a cancel before it counts.
                static fn() => self::write($import, $run, [
                    'status' => ImportStatus::Done,
                    'run' => null,
                    'error' => null,
                    'bytes_read' => $import->bytes_total,
                    'rows_read' => $reading->rows,
                    'measured' => json_encode(['seconds' => microtime(true) - $began, 'peak_bytes' => memory_get_peak_usage() - $heldBefore + $reading->peakElsewhere], JSON_THROW_ON_ERROR),
                ]),
            );
            $import->refresh();
            OrderVariables::dispatch($draft->id);
        } catch (NotATable|NoRoom $problem) {
            // The file stays: other decisions may read it, or there may be room later.
            $sentence = $problem instanceof NotATable ? $problem->finding->sentence() : $problem->getMessage();
            $this->giveBack($import, $run, $draft, ['status' => ImportStatus::Waiting, 'error' => $sentence, 'bytes_read' => 0, 'rows_read' => 0]);
        } catch (ImportCancelled) {
            self::discard($draft);
        } catch (Throwable $thrown) {
            if (!self::isOurs($import, $run)) {
                // Its rows were taken from under it: somebody has cancelled it.
                self::discard($draft);

                return;
            }
            if (NoRoom::isMeantBy($thrown)) {
                $this->giveBack($import, $run, $draft, ['status' => ImportStatus::Waiting, 'error' => (new NoRoom())->getMessage(), 'bytes_read' => 0, 'rows_read' => 0]);

                return;
            }
            $this->giveBack($import, $run, $draft, ['status' => ImportStatus::Queued]);
            throw $thrown;
        }
    }

    /** Ends an import that is open without a dataset and leaves nothing half-made; it needs nobody who works at it. */
    public function end(Import $import, ImportStatus $status, ?string $error = null): void
    {
        $ended = Import::query()->whereKey($import->id)->whereIn('status', ImportStatus::open())->update(['status' => $status, 'run' => null, 'error' => $error]);
        $import->refresh();
        if ($ended === 1) {
            self::discardDraft($import);
            Storage::delete($import->path);
        }
    }

    public function fail(Import $import): void
    {
        $this->end($import, ImportStatus::Failed, self::FAILED);
    }

    /** Only one takes it, also where several try at once. */
    private static function take(Import $import, string $run): bool
    {
        $open = Import::query()->whereKey($import->id);
        $open->where(static function ($query): void {
            $query->where('status', ImportStatus::Queued);
            $query->orWhere(static fn($silent) => $silent->where('status', ImportStatus::Running)->where('beat_at', '<', time() - self::SILENT_AFTER_SECONDS));
        });

        return $open->update(['status' => ImportStatus::Running, 'run' => $run, 'beat_at' => time(), 'attempts' => $import->attempts + 1]) === 1;
    }

    /** @return Closure(int, int): void */
    private static function beat(Import $import, string $run): Closure
    {
        $last = microtime(true);

        return static function (int $bytesRead, int $rowsRead) use ($import, $run, &$last): void {
            if (microtime(true) - $last >= self::BEAT_EVERY_SECONDS) {
                $last = microtime(true);
                self::write($import, $run, ['beat_at' => time(), 'bytes_read' => $bytesRead, 'rows_read' => $rowsRead]);
            }
        };
    }

    /**
     * @param array<string, mixed> $values
     *
     * @throws ImportCancelled when it is no longer in these hands
     */
    private static function write(Import $import, string $run, array $values): void
    {
        // A write that changes nothing is counted as none.
        if (Import::query()->whereKey($import->id)->where('run', $run)->update($values) === 0 && !self::isOurs($import, $run)) {
            throw new ImportCancelled();
        }
    }

    private static function isOurs(Import $import, string $run): bool
    {
        return Import::query()->whereKey($import->id)->where('run', $run)->exists();
    }

    /** @param array<string, mixed> $values */
    private function giveBack(Import $import, string $run, Dataset $draft, array $values): void
    {
        self::discard($draft);
        Import::query()->whereKey($import->id)->where('run', $run)->update([...$values, 'run' => null, 'dataset_id' => null, 'beat_at' => time()]);
        $import->refresh();
    }

    private static function discardDraft(Import $import): void
    {
        if ($import->dataset_id !== null) {
            Dataset::query()->whereKey($import->dataset_id)->where('revision', 0)->delete();
            $import->update(['dataset_id' => null]);
        }
    }

    private static function discard(Dataset $draft): void
    {
        Dataset::query()->whereKey($draft->id)->where('revision', 0)->delete();
    }
}
