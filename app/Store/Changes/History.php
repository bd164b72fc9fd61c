<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Dataset;
use App\Models\Revision;

/** All changes of a dataset, and which of them can be taken back or done again. */
final readonly class History
{
    /**
     * @param list<Revision> $changes the latest first
     * @param list<Revision> $done    those in force, the latest last
     * @param list<Revision> $undone  the one that can be done again last
     */
    private function __construct(
        public array $changes,
        private array $done,
        private array $undone,
    ) {}

    public static function of(Dataset $dataset): self
    {
        $query = Revision::query()->with('user')->where('dataset_id', $dataset->id);
        $query->orderBy('number');
        $changes = array_values($query->get()->all());
        $byNumber = [];
        foreach ($changes as $change) {
            $byNumber[$change->number] = $change;
        }
        $done = $undone = [];
        foreach ($changes as $change) {
            if ($change->kind === 'undo') {
                array_pop($done);
                $undone[] = $byNumber[$change->target ?? 0] ?? $change;
            } elseif ($change->kind === 'redo') {
                array_pop($undone);
                $done[] = $byNumber[$change->target ?? 0] ?? $change;
            } elseif ($change->number > 1) {
                $done[] = $change;
                $undone = [];
            }
        }

        return new self(array_reverse($changes), $done, $undone);
    }

    public function undoable(): ?Revision
    {
        return $this->done[count($this->done) - 1] ?? null;
    }

    public function redoable(): ?Revision
    {
        return $this->undone[count($this->undone) - 1] ?? null;
    }

    /** Whether a change was taken back and is not in force. */
    public function isUndone(Revision $change): bool
    {
        return !in_array($change->kind, ['undo', 'redo'], true) && $change->number > 1
            && array_filter($this->done, static fn(Revision $done): bool => $done->number === $change->number) === [];
    }
}
