<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Values\Observations;
use RowTally\Core\Values\ValueCounts;

/**
 * Distinct values with counts of a number variable, whole or by group, kept beside the columns so that another basis reads no
 * row again. Derived: the table may be emptied at any time and fills itself.
 */
final class Tallies
{
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
        $payload = DB::table('tallies')
            ->where(['variable_id' => $variable->id, 'by_variable_id' => $by === null ? 0 : $by->id, 'revision' => $revision])
            ->value('payload');
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
            $revision,
            array_map(static fn(Observations $group): ValueCounts => $group->values, $observations),
            array_map(static fn(Observations $group): int => $group->missing, $observations),
        );

        return $observations;
    }

    /**
     * @param list<ValueCounts> $values
     * @param list<int>         $missing
     */
    public function keep(Variable $variable, ?Variable $by, int $revision, array $values, array $missing): void
    {
        // Two profiles at once may both have worked it out; the answers are the same.
        DB::table('tallies')->insertOrIgnore([
            'variable_id' => $variable->id,
            'by_variable_id' => $by === null ? 0 : $by->id,
            'revision' => $revision,
            'payload' => PackedTallies::pack($values, $missing),
        ]);
    }
}
