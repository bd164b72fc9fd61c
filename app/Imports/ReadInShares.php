<?php

declare(strict_types=1);

namespace App\Imports;

use App\Files\NoRoom;
use App\Files\StoredFile;
use App\Intake\Csv\CsvFile;
use App\Intake\Csv\PassedOver;
use App\Intake\Decisions;
use App\Intake\PlannedTable;
use App\Intake\SharedColumns;
use App\Models\Dataset;
use App\Models\Import;
use App\Models\ImportShare;
use App\Models\ImportStatus;
use App\Models\Variable;
use App\Store\DatasetWriter;
use App\Store\OrderVariables;
use Illuminate\Contracts\Database\Query\Expression;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use RuntimeException;
use Throwable;

/**
 * Reads a very long file by several workers, on this machine or others: each goes over all of it and packs some of its columns, so
 * that nothing has to be put together but how far they are (decision 0048). Whoever finishes last publishes. A share whose worker
 * has gone silent is taken up by another; its columns alone are read again.
 */
final readonly class ReadInShares
{
    private const UNTAKEN_SECONDS = 60;
    private const AT_ONCE = 50;

    /** @return bool whether the file is read in shares; if not, nothing was done */
    public function begin(ImportHold $hold, CsvFile $file, Decisions $decisions, DatasetWriter $writer): bool
    {
        if ($file->bytes < Config::integer('intake.shares_from_bytes')) {
            return false;
        }
        $table = PlannedTable::of($file, $decisions);
        $variables = $table->variables();
        if (count($variables) === 1) {
            return false;
        }
        $ids = [];
        DB::transaction(static function () use ($hold, $writer, $table, $variables, &$ids): void {
            $writer->begin($variables);
            ImportShare::query()->where('import_id', $hold->import->id)->delete();
            foreach (SharedColumns::of($variables, SharedColumns::readers($variables)) as $positions) {
                $ids[] = ImportShare::query()->create(['import_id' => $hold->import->id, 'run' => $hold->run, 'columns' => $positions, 'recognised' => $table->recognised(), 'beat_at' => time()])->id;
            }
        });
        foreach ($ids as $id) {
            ReadShare::dispatch($id);
        }

        return true;
    }

    /** @return bool false when a worker of another version is to read it */
    public function read(ImportShare $share): bool
    {
        $import = Import::query()->findOrFail($share->import_id);
        $hold = ImportHold::join($import, $share->run);
        $draft = $hold === null ? null : Dataset::query()->find($import->dataset_id);
        if ($hold === null || $draft === null) {
            return true;
        }
        try {
            $stored = StoredFile::of($import->path);
            clearstatcache(true, $stored->path);
            if (!is_file($stored->path) || filesize($stored->path) !== $import->bytes_total) {
                throw new NoRoom();
            }
            $decisions = Decisions::fromArray($import->decisions ?? []);
            $table = PlannedTable::of(CsvFile::open($stored->path, $decisions, isChecked: $decisions->encoding === null), $decisions);
            if ($table->recognised() !== $share->recognised) {
                $this->leave($hold, $share, $draft);

                return false;
            }
            if ($share->done === null && !$this->readTaken($hold, $share, $table, $draft)) {
                return true;
            }
            $this->publish($hold, $table, $decisions, $draft);
        } catch (ImportCancelled) {
            // Ended, or in other hands; whoever did that has tidied up.
        } catch (Throwable $thrown) {
            if (!$hold->isSettled($thrown, $draft)) {
                ImportShare::query()->whereKey($share->id)->where('taken', $share->taken)->update(['taken' => null, 'beat_at' => time()]);
                throw $thrown;
            }
        }

        return true;
    }

    /** Puts into the queue again what nobody reads, and gives up what three have failed at. */
    public function sweep(ImportFile $importFile): void
    {
        $idle = ImportShare::query();
        $idle->whereRaw('beat_at < IF(taken IS NULL, ?, ?)', [time() - self::UNTAKEN_SECONDS, time() - ImportHold::SILENT_AFTER_SECONDS])
            ->whereRaw('run = (SELECT run FROM imports WHERE imports.id = import_id)')->limit(self::AT_ONCE);
        foreach ($idle->get() as $share) {
            if ($share->done === null && $share->attempts >= ImportHold::MOST_ATTEMPTS) {
                $importFile->fail(Import::query()->findOrFail($share->import_id));
                continue;
            }
            $same = ImportShare::query()->whereKey($share->id)->where('taken', $share->taken)->where('beat_at', $share->beat_at);
            // What is read waits only for its import to be published.
            if ($same->update(['beat_at' => time(), ...($share->done === null ? ['taken' => null] : [])]) === 1) {
                ReadShare::dispatch($share->id);
            }
        }
    }

    /** To workers of the version that planned it; where three looks have found none, the file is planned anew. */
    private function leave(ImportHold $hold, ImportShare $share, Dataset $draft): void
    {
        $share->update(['attempts' => $share->attempts + 1]);
        if ($share->attempts >= ImportHold::MOST_ATTEMPTS) {
            $hold->giveBack($draft, ['status' => ImportStatus::Queued]);
            RunImport::dispatch($hold->import->id);
        }
    }

    /** @return bool false = others have it */
    private function readTaken(ImportHold $hold, ImportShare $share, PlannedTable $table, Dataset $draft): bool
    {
        $name = (string) Str::ulid();
        $free = ImportShare::query()->whereKey($share->id)->whereNull('done')->whereRaw('(taken IS NULL OR beat_at < ?)', [time() - ImportHold::SILENT_AFTER_SECONDS]);
        if ($free->update(['taken' => $name, 'beat_at' => time(), 'attempts' => $share->attempts + 1, 'bytes_read' => 0, 'rows_read' => 0]) !== 1) {
            return false;
        }
        $share->refresh();
        $heldBefore = memory_get_usage();
        memory_reset_peak_usage();
        $writer = DatasetWriter::resume($draft);
        $writer->clear(...$share->columns);
        $packed = $table->pack($share->columns, $writer, ImportHold::nowAndThen(fn(int $bytesRead, int $rowsRead) => $this->tell($hold, $share, $bytesRead, $rowsRead)));
        $writer->flush();
        DB::transaction(function () use ($hold, $share, $writer, $packed, $heldBefore): void {
            $writer->finish($packed->variables);
            $this->write($share, [
                'bytes_read' => $hold->import->bytes_total,
                'rows_read' => $packed->rows,
                'done' => json_encode([
                    'rows' => $packed->rows,
                    'is_even' => $writer->isEven(),
                    'passed_over' => $packed->reader->passedOver->toArray(),
                    'peak_bytes' => memory_get_peak_usage() - $heldBefore,
                ], JSON_THROW_ON_ERROR),
            ]);
        });

        return true;
    }

    private function publish(ImportHold $hold, PlannedTable $table, Decisions $decisions, Dataset $draft): void
    {
        $shares = ImportShare::query();
        $shares->where('import_id', $hold->import->id)->where('run', $hold->run)->orderBy('id');
        $done = [];
        foreach ($shares->get() as $share) {
            if ($share->done === null) {
                return;
            }
            $done[] = $share->done;
        }
        if ($done === []) {
            return;
        }
        if (count(array_unique(array_column($done, 'rows'))) !== 1) {
            throw new RuntimeException('The workers have read ' . implode(' and ', array_column($done, 'rows')) . ' rows.');
        }
        $passedOver = PassedOver::fromArray($done[0]['passed_over']);
        $unread = array_map(static fn(Variable $variable): array => [$variable->name, $variable->unread], array_values($draft->variables()->get()->all()));
        DB::transaction(static function () use ($hold, $table, $decisions, $draft, $done, $passedOver, $unread): void {
            // First of all: of two that finish at once the second finds it done, and a cancel before it counts.
            $hold->done($done[0]['rows'], max(array_column($done, 'peak_bytes')));
            DatasetWriter::resume($draft)->reveal(
                $done[0]['rows'],
                $table->notes($passedOver, $unread),
                $done[0]['is_even'],
                "Imported from {$hold->import->file_name}",
                $decisions->position($decisions->counts),
                $decisions->position($decisions->counted),
            );
            ImportShare::query()->where('import_id', $hold->import->id)->delete();
        });
        OrderVariables::dispatch($draft->id);
        SumSource::dispatch($draft->id);
    }

    /** How far this share is, and with it the import: as far as all of its shares on the average. */
    private function tell(ImportHold $hold, ImportShare $share, int $bytesRead, int $rowsRead): void
    {
        $this->write($share, ['beat_at' => time(), 'bytes_read' => $bytesRead, 'rows_read' => $rowsRead]);
        $average = static fn(string $column): Expression => DB::raw("(SELECT AVG({$column}) FROM import_shares WHERE import_id = imports.id AND import_shares.run = imports.run)");
        $hold->write(['beat_at' => time(), 'bytes_read' => $average('bytes_read'), 'rows_read' => $average('rows_read')]);
    }

    /**
     * @param array<string, mixed> $values
     *
     * @throws ImportCancelled when somebody else reads it
     */
    private function write(ImportShare $share, array $values): void
    {
        $ours = ImportShare::query()->whereKey($share->id)->where('taken', $share->taken);
        if ($ours->clone()->update($values) === 0 && !$ours->exists()) {
            throw new ImportCancelled();
        }
    }
}
