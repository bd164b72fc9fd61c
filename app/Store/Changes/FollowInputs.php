<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Variable;
use App\Store\StoredRows;
use App\Store\Tallies;
use RowTally\Core\Formula\Formula;
use RowTally\Core\Parsing\VariableType;

/**
 * Made variables follow what they are made from: after a change their cells are worked out again, in the chunks that were
 * touched, or in all of them where a row's result depends on others. One whose input is deleted is frozen as it is.
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
        if ($chunks === []) {
            return;
        }
        $rows = new StoredRows($draft->variables(), $draft->number, $this->tallies, false);
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
