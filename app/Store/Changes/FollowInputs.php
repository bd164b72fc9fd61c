<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Dataset;
use App\Models\Variable;
use App\Store\StoredRows;
use App\Store\Tallies;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Formula\Formula;
use RowTally\Core\Parsing\VariableType;

/**
 * Made variables follow what they are made from: after a change their cells are worked out again, in the chunks that were
 * touched, or in all of them where a row's result depends on others, of which those set aside are none. One whose input is deleted is frozen as it is.
 */
final readonly class FollowInputs
{
    public function __construct(private Tallies $tallies) {}

    public function follow(DraftRevision $draft): void
    {
        $this->freezeWithoutInput($draft);
        // Inputs come before what is made from them; a chain is at most as long as there are variables.
        $waiting = $this->following($draft);
        $done = [];
        while ($waiting !== []) {
            $ready = array_filter($waiting, static fn(Variable $variable): bool => array_intersect(array_keys($waiting), $variable->made['inputs'] ?? []) === []);
            if ($ready === []) {
                break;
            }
            foreach ($ready as $id => $variable) {
                $this->workOut($draft, $variable, $done);
                $done[$id] = true;
                unset($waiting[$id]);
            }
        }
    }

    /**
     * Roughly how many steps it takes to follow a change.
     *
     * @param list<string>|null $keys   of the variables that it changes; null = any
     * @param bool              $isWide whether it changes all rows, not a few
     */
    public function steps(Dataset $dataset, ?array $keys, bool $isWide): int
    {
        $variables = $dataset->variables->keyBy('id');
        $following = $variables->filter(static fn(Variable $variable): bool => $variable->made !== null && !$variable->made['frozen']);
        if ($following->isEmpty()) {
            return 0;
        }
        $names = StoredRows::of($dataset, $this->tallies)->names();
        $changed = $keys === null ? null : $variables->filter(static fn(Variable $variable): bool => in_array($variable->key, $keys, true))->map(static fn(): bool => $isWide)->all();
        $steps = 0;
        // Inputs come before what is made from them.
        for ($before = -1; $before !== count($changed ?? []);) {
            $before = count($changed ?? []);
            foreach ($following as $id => $variable) {
                $inputs = array_intersect_key($changed ?? [], array_flip($variable->made['inputs'] ?? []));
                if (isset($changed[$id]) || ($changed !== null && $inputs === [])) {
                    continue;
                }
                $formula = Formula::of($variable->made['formula'] ?? '', $names);
                $isAllOfIt = $formula->needsAllRows || in_array(true, $inputs, true);
                $steps += $formula->parts * ($isAllOfIt ? $dataset->rows : min($dataset->rows, Chunk::ROWS));
                if ($changed !== null) {
                    $changed[$id] = $isAllOfIt;
                }
            }
            if ($changed === null) {
                break;
            }
        }

        return $steps;
    }

    /**
     * Works out a made variable for its chunks; all where it has none yet.
     *
     * @param array<int, true> $done
     */
    public function workOut(DraftRevision $draft, Variable $variable, array $done = [], bool $anew = false): void
    {
        $made = $variable->made;
        if ($made === null) {
            return;
        }
        $touched = $draft->touched();
        $chunks = $anew ? array_fill_keys(array_keys($draft->layout()), true) : [];
        foreach ($made['inputs'] as $input) {
            $chunks += $touched[$input] ?? [];
        }
        $aside = $draft->aside();
        $isAsideChanged = $aside !== null && isset($touched[$aside->id]);
        if ($chunks === [] && !$isAsideChanged) {
            return;
        }
        $rows = new StoredRows($draft->variables(), $draft->number, $this->tallies, $draft->asideInForce(), false);
        $formula = Formula::of($made['formula'], $rows->names());
        if ($formula->needsAllRows) {
            $chunks = array_fill_keys(array_keys($draft->layout()), true);
        }
        foreach (array_keys($chunks) as $chunk) {
            $draft->put($variable, $chunk, $formula->cells($rows->at($chunk)));
        }
    }

    /** @return array<int, Variable> by id */
    private function following(DraftRevision $draft): array
    {
        return array_filter($draft->variables(), static fn(Variable $variable): bool => $variable->made !== null && !$variable->made['frozen'] && $variable->deleted_revision === null);
    }

    private function freezeWithoutInput(DraftRevision $draft): void
    {
        foreach ($this->following($draft) as $variable) {
            foreach ($variable->made['inputs'] ?? [] as $input) {
                $of = $draft->variables()[$input] ?? null;
                if ($of === null || $of->deleted_revision !== null || $this->hasChangedKind($of, $variable)) {
                    $variable->made = $variable->made === null ? null : [...$variable->made, 'frozen' => true];
                    $draft->describe($variable);
                    break;
                }
            }
        }
    }

    /** A formula that took a number cannot go on with a text. */
    private function hasChangedKind(Variable $input, Variable $made): bool
    {
        return $input->isDirty('type') && ($input->type === VariableType::Number) !== ($input->getOriginal('type') === VariableType::Number);
    }
}
