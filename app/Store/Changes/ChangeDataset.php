<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Dataset;
use App\Models\Revision;
use App\Models\User;
use App\Store\RowViews;
use App\Store\Tallies;
use Illuminate\Support\Facades\DB;

/** Makes one change of a dataset: a new revision, whole or not at all, and only on top of the one that the person saw. */
final readonly class ChangeDataset
{
    private const SINCE_NAMED = 5;

    public function __construct(private FollowInputs $followInputs, private Tallies $tallies) {}

    /**
     * @throws StaleRevision when the dataset is another revision by now
     * @throws ChangeRefused
     */
    public function make(Dataset $dataset, int $expected, User $user, Change $change): Revision
    {
        /** @var Revision $revision */
        $revision = DB::transaction(function () use ($dataset, $expected, $user, $change): Revision {
            $query = Dataset::query()->whereKey($dataset->id);
            $query->lockForUpdate();
            $locked = $query->firstOrFail();
            if ($locked->revision !== $expected) {
                throw new StaleRevision($locked->revision, $this->since($locked, $expected));
            }
            $draft = new DraftRevision($locked, $locked->revision + 1);
            $rows = $locked->rows;
            $summary = $change->apply($draft);
            $locked->is_even = $locked->is_even && $locked->rows === $rows;
            $this->followInputs->follow($draft);
            $draft->finish();
            $this->tallies->carryOver($draft);
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
                'target' => $change instanceof Travel ? $change->target : null,
            ]);
        });

        return $revision;
    }

    /** @return list<string> */
    private function since(Dataset $dataset, int $revision): array
    {
        return array_values($dataset->revisions()->where('number', '>', $revision)->orderBy('number')->limit(self::SINCE_NAMED)->pluck('summary')
            ->map(static fn(mixed $summary): string => is_string($summary) ? $summary : '')->all());
    }
}
