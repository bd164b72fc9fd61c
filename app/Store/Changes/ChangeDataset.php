<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Dataset;
use App\Models\Revision;
use App\Models\User;
use App\Store\DrawMicroPlots;
use App\Store\RowViews;
use App\Store\Tallies;
use Closure;
use Illuminate\Support\Facades\DB;
use PDOException;
use RowTally\Core\Marks\NumberMarks;
use Throwable;

/** Makes one change of a dataset: a new revision, whole or not at all, and only on top of the one that the person saw. */
final readonly class ChangeDataset
{
    private const SINCE_NAMED = 5;
    private const WAIT_SECONDS = 4;
    /** The number by which the database says so. */
    private const WAITED_TOO_LONG = 1205;

    public function __construct(private FollowInputs $followInputs, private Tallies $tallies) {}

    /**
     * @param (Closure(int, int): void)|null $told how far it is, in chunks; may throw, which gives the change up
     *
     * @throws StaleRevision when the dataset is another revision by now
     * @throws DatasetBusy   while a long change is being made
     * @throws ChangeRefused
     */
    public function make(Dataset $dataset, int $expected, User $user, Change $change, ?Closure $told = null): Revision
    {
        $wereAside = $dataset->set_aside;
        /** @var Revision $revision */
        $revision = DB::transaction(function () use ($dataset, $expected, $user, $change, $told): Revision {
            $locked = $this->locked($dataset);
            if ($locked->revision !== $expected) {
                throw new StaleRevision($locked->revision, $this->since($locked, $expected));
            }
            $draft = new DraftRevision($locked, $locked->revision + 1, $told);
            $rows = $locked->rows;
            $summary = $change->apply($draft);
            $locked->is_even = $locked->is_even && $locked->rows === $rows;
            $this->followInputs->follow($draft);
            $draft->finish();
            $this->tallies->carryOver($draft);
            $locked->set_aside = SetAside::rowsOf($draft);
            RowViews::forget($locked->id);
            $locked->revision = $draft->number;
            $locked->save();
            $dataset->setRawAttributes($locked->getAttributes(), true);
            $dataset->unsetRelation('variables');

            return Revision::query()->create([
                'dataset_id' => $locked->id,
                'number' => $draft->number,
                'user_id' => $user->id,
                'kind' => $change->kind(),
                'summary' => $summary,
                'rows' => $locked->rows,
                'target' => $change instanceof UndoRedo ? $change->target : null,
            ]);
        });

        if ($wereAside > 0 || $dataset->set_aside > 0) {
            DrawMicroPlots::after($dataset);
        }

        return $revision;
    }

    /**
     * The dataset, for this change alone. A short one before it is waited for, a long one is not.
     *
     * @throws DatasetBusy
     */
    private function locked(Dataset $dataset): Dataset
    {
        $query = Dataset::query()->whereKey($dataset->id);
        $query->lock('for update wait ' . self::WAIT_SECONDS);
        try {
            return $query->firstOrFail();
        } catch (Throwable $thrown) {
            throw $thrown instanceof PDOException && ($thrown->errorInfo[1] ?? null) === self::WAITED_TOO_LONG ? new DatasetBusy() : $thrown;
        }
    }

    /** @return list<string> */
    private function since(Dataset $dataset, int $revision): array
    {
        return array_values($dataset->revisions()->where('number', '>', $revision)->orderBy('number')->limit(self::SINCE_NAMED)->pluck('summary')
            ->map(static fn(mixed $summary): string => is_string($summary) ? NumberMarks::inForce()->read($summary) : '')->all());
    }
}
