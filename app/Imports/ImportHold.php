<?php

declare(strict_types=1);

namespace App\Imports;

use App\Files\NoRoom;
use App\Intake\NotATable;
use App\Models\Dataset;
use App\Models\Import;
use App\Models\ImportShare;
use App\Models\ImportStatus;
use Closure;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Symfony\Component\Uid\Ulid;
use Throwable;

/**
 * An import in somebody's hands: of one worker, or of all who read a share of it. It is theirs while it carries the name of their
 * turn; whoever finds another name there, or none, stops and leaves nothing.
 */
final readonly class ImportHold
{
    /** One that has not beaten for so long is worked at by nobody. */
    public const SILENT_AFTER_SECONDS = 30;
    public const MOST_ATTEMPTS = 3;
    public const BEAT_EVERY_SECONDS = 0.25;
    private const DEADLOCKS = 5;

    private function __construct(
        public Import $import,
        /** the name of the turn */
        public string $run,
    ) {}

    /** Only one takes it, also where several try at once; null = it has ended, was cancelled, or is in other hands. */
    public static function take(Import $import): ?self
    {
        $run = (string) Str::ulid();
        $open = Import::query()->whereKey($import->id);
        $open->where(static function ($query): void {
            $query->where('status', ImportStatus::Queued);
            $query->orWhere(static fn($silent) => $silent->where('status', ImportStatus::Running)->where('beat_at', '<', time() - self::SILENT_AFTER_SECONDS));
        });
        $isTaken = $open->update(['status' => ImportStatus::Running, 'run' => $run, 'beat_at' => time(), 'attempts' => $import->attempts + 1]) === 1;

        return $isTaken ? new self($import->refresh(), $run) : null;
    }

    /** Joins a turn that somebody else has begun; null = it is over. */
    public static function join(Import $import, string $run): ?self
    {
        $hold = new self($import, $run);

        return $hold->isOurs() ? $hold : null;
    }

    public function isOurs(): bool
    {
        return Import::query()->whereKey($this->import->id)->where('run', $this->run)->exists();
    }

    /** Since the turn began. */
    public function seconds(): float
    {
        return microtime(true) - (float) Ulid::fromString($this->run)->getDateTime()->format('U.u');
    }

    /**
     * @param array<string, mixed> $values
     *
     * @throws ImportCancelled when it is no longer in these hands
     */
    public function write(array $values): void
    {
        // A write that changes nothing is counted as none.
        if (Import::query()->whereKey($this->import->id)->where('run', $this->run)->update($values) === 0 && !$this->isOurs()) {
            throw new ImportCancelled();
        }
    }

    /** The dataset is there. @throws ImportCancelled */
    public function done(int $rows, int $peakBytes): void
    {
        $this->write([
            'status' => ImportStatus::Done,
            'run' => null,
            'error' => null,
            'bytes_read' => $this->import->bytes_total,
            'rows_read' => $rows,
            'measured' => json_encode(['seconds' => $this->seconds(), 'peak_bytes' => $peakBytes], JSON_THROW_ON_ERROR),
        ]);
    }

    /** @return Closure(int, int): void */
    public function beat(): Closure
    {
        return self::nowAndThen(fn(int $bytesRead, int $rowsRead) => $this->write(['beat_at' => time(), 'bytes_read' => $bytesRead, 'rows_read' => $rowsRead]));
    }

    /**
     * @param Closure(int, int): void $tell
     *
     * @return Closure(int, int): void the same, a few times a second
     */
    public static function nowAndThen(Closure $tell): Closure
    {
        $last = microtime(true);

        return static function (int $bytesRead, int $rowsRead) use ($tell, &$last): void {
            if (microtime(true) - $last >= self::BEAT_EVERY_SECONDS) {
                $last = microtime(true);
                $tell($bytesRead, $rowsRead);
            }
        };
    }

    /**
     * Leaves nothing of a reading that went wrong, and gives the import back to its owner where they can do something about it.
     *
     * @return bool whether that was all; if not, somebody is to try again
     */
    public function isSettled(Throwable $thrown, Dataset $draft): bool
    {
        if ($thrown instanceof ImportCancelled || !$this->isOurs()) {
            // Its rows may have been taken from under it: somebody has cancelled it.
            self::discard($draft);

            return true;
        }
        // The file stays: other decisions may read it, or there may be room later.
        $sentence = match (true) {
            $thrown instanceof NotATable => $thrown->finding->sentence(),
            NoRoom::isMeantBy($thrown) => (new NoRoom())->getMessage(),
            default => null,
        };
        if ($sentence === null) {
            return false;
        }
        $this->giveBack($draft, ['status' => ImportStatus::Waiting, 'error' => $sentence, 'bytes_read' => 0, 'rows_read' => 0]);

        return true;
    }

    /** @param array<string, mixed> $values */
    public function giveBack(Dataset $draft, array $values): void
    {
        self::discard($draft);
        ImportShare::query()->where('import_id', $this->import->id)->where('run', $this->run)->delete();
        Import::query()->whereKey($this->import->id)->where('run', $this->run)->update([...$values, 'run' => null, 'dataset_id' => null, 'beat_at' => time()]);
        $this->import->refresh();
    }

    public static function discard(Dataset $draft): void
    {
        // Whoever still writes to it may hold what is to go.
        DB::transaction(static fn() => Dataset::query()->whereKey($draft->id)->where('revision', 0)->delete(), self::DEADLOCKS);
    }
}
