<?php

declare(strict_types=1);

namespace App\Store;

use App\Jobs\OrderVariables;
use App\Models\Variable;
use App\Store\Changes\DraftRevision;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Columns\VariableType;
use RowTally\Core\Plots\Sketch;
use RowTally\Core\Values\Observations;
use RowTally\Core\Values\ValueCounts;

/**
 * Distinct values with counts of a number variable, whole or by group, kept beside the columns so that another basis reads no
 * row again. Derived: the table may be emptied at any time and fills itself.
 */
final class Tallies
{
    private const FEW_CHANGES = 20_000;
    /** A tally with up to some 60,000 distinct values. */
    private const QUICK_BYTES = 1 << 20;
    private const ROWS_COUNTED_AT_ONCE = 50_000;

    public function whole(Variable $variable, int $revision): Observations
    {
        return $this->observations($variable, null, $revision)[0];
    }

    /**
     * The rows without a label first, then one for each label in the order of the dictionary of $by; without $by, all rows.
     *
     * @return list<Observations>
     */
    public function observations(Variable $variable, ?Variable $by, int $revision): array
    {
        $payload = DB::table('tallies')->where(self::key($variable, $by))->value('payload');
        if (is_string($payload)) {
            return PackedTallies::unpack($payload, $variable->decimals);
        }
        $observations = TallyColumn::byGroup(
            StoredColumns::number($variable, $revision),
            $by === null ? null : StoredColumns::chunks($by, $revision),
            $by === null ? 0 : count($by->dictionary),
        );
        $this->keep(
            $variable,
            $by,
            array_map(static fn(Observations $group): ValueCounts => $group->values, $observations),
            array_map(static fn(Observations $group): int => $group->missing, $observations),
        );

        return $observations;
    }

    /**
     * @param list<ValueCounts> $values
     * @param list<int>         $missing
     */
    public function keep(Variable $variable, ?Variable $by, array $values, array $missing): void
    {
        // Two profiles at once may both have worked it out; the answers are the same.
        DB::table('tallies')->insertOrIgnore([
            ...self::key($variable, $by),
            'payload' => PackedTallies::pack($values, $missing),
        ]);
    }

    /** After a change of a few cells: what was counted before serves again, but for those. Too much of it is counted anew when asked for. */
    public function carryOver(DraftRevision $draft): void
    {
        $toOrder = false;
        foreach (array_keys($draft->touched()) as $id) {
            $variable = $draft->variables()[$id];
            if ($variable->type !== VariableType::Number) {
                continue;
            }
            $values = $this->carried($draft, $variable);
            if ($values !== null) {
                $this->keep($variable, null, [$values], [$variable->missing]);
            } elseif ($draft->dataset->rows <= self::ROWS_COUNTED_AT_ONCE) {
                $values = $this->whole($variable, $draft->number)->values;
            }
            $toOrder = $toOrder || $values === null;
            $variable->update(['sketch' => $values === null ? [] : Sketch::of($values)]);
            VariableVersions::keep($variable, $draft->number);
        }
        if ($toOrder) {
            OrderVariables::dispatch($draft->dataset->id);
        }
    }

    private function carried(DraftRevision $draft, Variable $variable): ?ValueCounts
    {
        $difference = $draft->differences()[$variable->id] ?? null;
        if ($difference === null || count($difference['removed']) + count($difference['added']) > self::FEW_CHANGES) {
            return null;
        }
        $before = DB::table('tallies')
            ->where(['variable_id' => $variable->id, 'by_variable_id' => 0, 'revision' => $draft->dataRevisionBefore($variable->id)])
            ->value('payload');

        return is_string($before) && strlen($before) <= self::QUICK_BYTES
            ? PackedTallies::unpack($before, $variable->decimals)[0]->values->changed($difference['removed'], $difference['added'])
            : null;
    }

    /**
     * A tally holds until the values of its variable, or of the one that splits them, change.
     *
     * @return array{variable_id: int, by_variable_id: int, revision: int}
     */
    private static function key(Variable $variable, ?Variable $by): array
    {
        return [
            'variable_id' => $variable->id,
            'by_variable_id' => $by === null ? 0 : $by->id,
            'revision' => max($variable->data_revision, $by === null ? 0 : $by->data_revision),
        ];
    }
}
