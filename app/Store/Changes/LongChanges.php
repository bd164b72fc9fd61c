<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Dataset;
use App\Models\LongChange;
use App\Models\User;
use Closure;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Marks\NumberMarks;
use Throwable;

/** Changes that take longer than somebody waits for an answer: a worker makes them, says how far it is, and stops when told to. */
final readonly class LongChanges
{
    /** Steps of some two seconds. */
    public const LONG = 5_000_000;
    /** Steps of some five minutes: more is refused. */
    public const MOST = 700_000_000;
    /** A worker that has not beaten for so long is gone, and what it did with it. */
    private const SILENT_AFTER_SECONDS = 60;
    private const BEAT_EVERY_SECONDS = 0.4;
    /** What is written while a change is being made stands for itself, on a connection of its own. */
    private const ASIDE = 'aside';

    public function __construct(private ChangeDataset $changeDataset, private ChangeOfWords $changeOfWords) {}

    /**
     * @param array<string, mixed> $words what the change was made of
     *
     * @return LongChange|null null when it is short enough to be waited for
     *
     * @throws ChangeRefused
     */
    public function begin(Dataset $dataset, int $revision, User $user, Change $change, array $words): ?LongChange
    {
        $steps = $this->changeOfWords->steps($dataset, $change, $words);
        if ($steps > self::MOST) {
            throw ChangeRefused::because('too-much-work', 'This would take ' . NumberMarks::count($steps / 1e6) . ' million steps: each part of a formula for each row.', 'at most ' . NumberMarks::count(self::MOST / 1e6) . ' million', 'Make variables of parts of it, leave out what is not needed, or freeze what is made from it, which then stays as it is.');
        }
        if ($steps < self::LONG) {
            return null;
        }
        $fingerprint = hash('sha256', json_encode([$user->id, $words], JSON_THROW_ON_ERROR));
        // Asked for a second time, because the page was loaded anew, it is the same.
        $query = LongChange::query();
        $query->where('dataset_id', $dataset->id)->where('fingerprint', $fingerprint)->where('revision', $revision)->whereNotIn('status', ['failed', 'stopped']);
        $same = $query->first();
        if ($same !== null) {
            return $same;
        }
        $long = LongChange::query()->create(['dataset_id' => $dataset->id, 'user_id' => $user->id, 'revision' => $revision, 'fingerprint' => $fingerprint, 'words' => $words, 'status' => 'queued', 'beat_at' => time()]);
        MakeLongChange::dispatch($long->id);

        return $long->refresh();
    }

    public function make(LongChange $long): void
    {
        if (LongChange::query()->whereKey($long->id)->where('status', 'queued')->update(['status' => 'running', 'beat_at' => time()]) !== 1) {
            return;
        }
        $dataset = Dataset::query()->findOrFail($long->dataset_id);
        $user = User::query()->findOrFail($long->user_id);
        try {
            $revision = $this->changeDataset->make($dataset, $long->revision, $user, $this->changeOfWords->of($dataset, $long->words), $this->beat($long));
            self::close($long, 'done', null, $revision->number);
        } catch (ChangeStopped) {
            self::close($long, 'stopped', 'It was stopped; nothing was changed.');
        } catch (Throwable $thrown) {
            $isAnswer = $thrown instanceof ChangeRefused || $thrown instanceof StaleRevision || $thrown instanceof DatasetBusy;
            self::close($long, 'failed', $isAnswer ? $thrown->getMessage() : 'Something went wrong on our side, and nothing was changed. Try again; if it stays so, tell whoever runs this server (the log has the details).');
            if (!$isAnswer) {
                throw $thrown;
            }
        }
    }

    /** How far it is by now; one whose worker is gone has failed. */
    public function look(LongChange $long): LongChange
    {
        if ($long->status === 'running' && $long->beat_at < time() - self::SILENT_AFTER_SECONDS) {
            self::close($long, 'failed', 'The process that made it has ended; nothing was changed. Try again.');
            $long->refresh();
        }

        return $long;
    }

    public function stop(LongChange $long): LongChange
    {
        LongChange::query()->whereKey($long->id)->whereIn('status', LongChange::OPEN)->update(['status' => 'stopped', 'message' => 'It was stopped; nothing was changed.']);

        return $long->refresh();
    }

    private static function close(LongChange $long, string $status, ?string $message, ?int $made = null): void
    {
        LongChange::query()->whereKey($long->id)->whereIn('status', LongChange::OPEN)->update(['status' => $status, 'message' => $message, 'made' => $made]);
    }

    /** @return Closure(int, int): void */
    private function beat(LongChange $long): Closure
    {
        $last = 0.0;

        return static function (int $done, int $pieces) use ($long, &$last): void {
            if (microtime(true) - $last < self::BEAT_EVERY_SECONDS) {
                return;
            }
            $last = microtime(true);
            $own = DB::connection(self::ASIDE)->table('long_changes')->where('id', $long->id);
            $own->clone()->where('status', 'running')->update(['done' => $done, 'pieces' => $pieces, 'beat_at' => time()]);
            if ($own->value('status') !== 'running') {
                throw new ChangeStopped();
            }
        };
    }
}
