<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use App\Store\Changes\DraftRevision;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Columns\DateEnds;
use RowTally\Core\Columns\Grouping;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Columns\TallyUnderCounts;
use RowTally\Core\Frequency\FrequencyKind;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Frequency\LabelFrequencies;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Plots\MicroHistogram;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\Packed;

/**
 * Distinct values with counts of a number variable, and counts of the labels of a category, whole or by any slice of the rows,
 * kept beside the columns so that another basis reads no row again. Derived: the table may be emptied at any time and fills itself.
 */
final class Tallies
{
    private const FEW_CHANGES = 20_000;
    /** A tally with up to some 60,000 distinct values. */
    private const QUICK_BYTES = 1 << 20;
    private const ROWS_COUNTED_AT_ONCE = 50_000;

    public function whole(Variable $variable, int $revision): Observations
    {
        return $this->tallied($variable, '', $variable->data_revision, static fn(): array => [TallyColumn::whole(StoredColumns::number($variable, $revision))])[0];
    }

    /**
     * @return list<Observations> of the rows that are in, then of each group of the slice
     */
    public function numbers(Variable $variable, Slice $slice, int $revision): array
    {
        if (!$slice->isPlain()) {
            return $this->tallied($variable, $slice->key, $revision, static function () use ($variable, $slice): array {
                $column = $slice->table()->number($variable->name);
                $groupings = [$slice->slicing()->overall, ...($slice->by === [] ? [] : [$slice->slicing()->grouping])];
                $counts = $slice->counts === null ? null : $slice->table()->number($slice->counts->name);

                return array_merge(...array_map(static fn(Grouping $grouping): array => $counts === null
                    ? TallyColumn::byGroup($column, $grouping)
                    : TallyUnderCounts::byGroup($column, $counts, $grouping, $slice->counts->name), $groupings));
            });
        }
        $overall = $this->whole($variable, $revision);
        if ($slice->by === []) {
            return [$overall];
        }
        $by = $slice->by[0];
        $groups = $this->tallied($variable, $slice->key, max($variable->data_revision, $by->data_revision), static fn(): array => TallyColumn::byGroup(
            StoredColumns::number($variable, $revision),
            Grouping::ofCategory(StoredColumns::chunks($by, $revision), count($by->dictionary)),
        ));
        // Rows without a label come last, and only where there are any.
        $unlabelled = array_shift($groups);

        return [$overall, ...$groups, ...($by->missing > 0 && $unlabelled !== null ? [$unlabelled] : [])];
    }

    /** How often each label of a category occurs among the rows that are in, then in each group of the slice. */
    public function labels(Variable $variable, Slice $slice, int $revision): FrequencyTable
    {
        if ($slice->key === '') {
            return new FrequencyTable(FrequencyKind::Labels, $variable->dictionary, [$variable->sketch], [$variable->missing]);
        }
        $stored = DB::table('tallies')->where(['variable_id' => $variable->id, 'slice' => $slice->key, 'revision' => $revision])->value('payload');
        $labels = count($variable->dictionary);
        if (!is_string($stored)) {
            $counts = $slice->counts === null ? null : $slice->table()->number($slice->counts->name);
            $chunks = $slice->table()->chunks($variable->name);
            $numbers = [];
            foreach ([$slice->slicing()->overall, ...($slice->by === [] ? [] : [$slice->slicing()->grouping])] as $grouping) {
                $part = LabelFrequencies::byGroup($chunks, $labels, $grouping, $counts);
                $numbers[0] = max($numbers[0] ?? 0, $part['countDecimals']);
                foreach ($part['counts'] as $group => $column) {
                    $numbers = [...$numbers, $part['missing'][$group], ...$column];
                }
            }
            $stored = pack('q*', ...$numbers);
            $this->store($variable, $slice->key, $revision, $stored);
        }
        $numbers = array_values(Packed::integers('q*', $stored));
        $countDecimals = array_shift($numbers) ?? 0;
        $columns = array_chunk($numbers, $labels + 1);
        $missing = array_map(static fn(array $column): int => $column[0], $columns);
        // A plain slice has a group for each label, the slicing only for those that occur.
        $columns = array_map(static fn(array $column): array => array_slice($column, 1), $columns);
        if ($slice->isPlain() && count($columns) !== count($slice->labels) + 1) {
            [$columns, $missing] = self::spread($columns, $missing, $slice, $labels);
        }

        return new FrequencyTable(FrequencyKind::Labels, $variable->dictionary, $columns, $missing, $countDecimals);
    }

    /** @return list<int> the rows, from 1, that a counts variable leaves out */
    public function rowsLeftOut(Variable $counts, int $revision): array
    {
        $stored = DB::table('tallies')->where(['variable_id' => $counts->id, 'slice' => 'left-out', 'revision' => $counts->data_revision])->value('payload');
        if (is_string($stored)) {
            return $stored === '' ? [] : array_values(Packed::integers('V*', $stored));
        }
        $rows = TallyUnderCounts::rowsLeftOut(StoredColumns::number($counts, $revision));
        $this->store($counts, 'left-out', $counts->data_revision, implode('', array_map(static fn(int $row): string => pack('V', $row), $rows)));

        return $rows;
    }

    /** @return array{first: string, last: string}|null the first and the last day or moment of a date variable; null without any */
    public function dates(Variable $variable, int $revision): ?array
    {
        $stored = DB::table('tallies')->where(['variable_id' => $variable->id, 'slice' => 'dates', 'revision' => $variable->data_revision])->value('payload');
        if (!is_string($stored)) {
            $ends = DateEnds::of(StoredColumns::chunks($variable, $revision));
            $stored = $ends === null ? '' : implode(' to ', $ends);
            $this->store($variable, 'dates', $variable->data_revision, $stored);
        }
        [$first, $last] = [...explode(' to ', $stored, 2), '', ''];

        return $first === '' ? null : ['first' => $first, 'last' => $last];
    }

    /**
     * @param list<OrderedValues> $values
     * @param list<int>           $missing
     */
    public function keep(Variable $variable, array $values, array $missing): void
    {
        $this->store($variable, '', $variable->data_revision, PackedTallies::pack(array_map(
            static fn(OrderedValues $counts, int $without): Observations => new Observations($counts, $without),
            $values,
            $missing,
        ), $variable, ''));
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
                $this->keep($variable, [$values], [$variable->missing]);
            } elseif ($draft->dataset->rows <= self::ROWS_COUNTED_AT_ONCE) {
                $values = $this->whole($variable, $draft->number)->values;
            }
            $toOrder = $toOrder || $values === null;
            $variable->update(['sketch' => $values === null ? [] : MicroHistogram::of($values)]);
            VariableVersions::keep($variable, $draft->number);
        }
        if ($toOrder) {
            OrderVariables::dispatch($draft->dataset->id);
        }
    }

    private function carried(DraftRevision $draft, Variable $variable): ?OrderedValues
    {
        $difference = $draft->differences()[$variable->id] ?? null;
        if ($difference === null || count($difference['removed']) + count($difference['added']) > self::FEW_CHANGES) {
            return null;
        }
        $before = DB::table('tallies')
            ->where(['variable_id' => $variable->id, 'slice' => '', 'revision' => $draft->dataRevisionBefore($variable->id)])
            ->value('payload');

        if (!is_string($before) || strlen($before) > self::QUICK_BYTES) {
            return null;
        }
        $values = PackedTallies::unpack($before, $variable->decimals)[0]->values;

        return $values instanceof BucketedValues && $values->buckets instanceof StoredBuckets
            ? StoredBuckets::changed($values, $values->buckets, $difference['removed'], $difference['added'], $variable)
            : $values->counted()->changed($difference['removed'], $difference['added']);
    }

    /**
     * A tally holds until the values of its variable, or of what slices them, change.
     *
     * @param callable(): list<Observations> $count
     *
     * @return list<Observations>
     */
    private function tallied(Variable $variable, string $slice, int $revision, callable $count): array
    {
        $payload = DB::table('tallies')->where(['variable_id' => $variable->id, 'slice' => $slice, 'revision' => $revision])->value('payload');
        if (is_string($payload)) {
            return PackedTallies::unpack($payload, $variable->decimals);
        }
        $observations = $count();
        // Buckets and the tally that names them appear at once, so that nobody sweeps away what is not named yet.
        $keep = fn() => DB::transaction(fn() => $this->store($variable, $slice, $revision, PackedTallies::pack($observations, $variable, $slice)));
        if (app()->runningInConsole() || !self::areInBuckets($observations)) {
            $keep();
        } else {
            // To put a million values in order takes longer than to answer: whoever asked need not wait for it.
            defer($keep)->always();
        }

        return $observations;
    }

    /** @param list<Observations> $observations */
    private static function areInBuckets(array $observations): bool
    {
        foreach ($observations as $group) {
            if ($group->values instanceof BucketedValues) {
                return true;
            }
        }

        return false;
    }

    private function store(Variable $variable, string $slice, int $revision, string $payload): void
    {
        $own = ['variable_id' => $variable->id, 'slice' => $slice];
        // Two profiles at once may both have worked it out; the answers are the same, and the first is kept.
        $isKept = DB::table('tallies')->insertOrIgnore([...$own, 'revision' => $revision, 'payload' => $payload]) === 1;
        if ($isKept && $slice !== '') {
            // Undo may want the whole of an older revision again; of a slice only the last is of use.
            DB::table('tallies')->where($own)->where('revision', '<', $revision)->delete();
        }
        $sweep = fn() => $this->sweep($variable, $own);
        if (app()->runningInConsole()) {
            $sweep();
        } else {
            defer($sweep)->always();
        }
    }

    /**
     * Forgets buckets that no tally names any more. The last two tallies keep theirs: somebody may still be reading the older one.
     *
     * @param array{variable_id: int, slice: string} $own
     */
    private function sweep(Variable $variable, array $own): void
    {
        // Those that are there before the tallies are read: a bucket that comes later is named by a tally that is not read here.
        $ids = DB::table('tally_buckets')->where($own)->pluck('id')->map(static fn(mixed $id): int => is_numeric($id) ? (int) $id : 0)->all();
        if ($ids === []) {
            return;
        }
        $tallies = DB::table('tallies')->where($own)->orderByDesc('revision')->pluck('payload', 'revision')->all();
        $named = [];
        foreach (array_slice($tallies, 0, 2, true) as $payload) {
            foreach (is_string($payload) ? PackedTallies::unpack($payload, $variable->decimals) : [] as $group) {
                if ($group->values instanceof BucketedValues && $group->values->buckets instanceof StoredBuckets) {
                    $named = [...$named, ...$group->values->buckets->ids()];
                }
            }
        }
        DB::table('tallies')->where($own)->whereIn('revision', array_slice(array_keys($tallies), 2))->delete();
        DB::table('tally_buckets')->whereIn('id', array_values(array_diff($ids, $named)))->delete();
    }

    /**
     * Puts the groups that occur where a plain slice has them.
     *
     * @param list<list<int>> $columns
     * @param list<int>       $missing
     *
     * @return array{list<list<int>>, list<int>}
     */
    private static function spread(array $columns, array $missing, Slice $slice, int $labels): array
    {
        $places = [];
        foreach ($slice->slicing()->labels as $i => $label) {
            $places[json_encode($label, JSON_THROW_ON_ERROR)] = $i + 1;
        }
        $spread = [$columns[0]];
        $without = [$missing[0]];
        foreach ($slice->labels as $label) {
            $at = $places[json_encode($label, JSON_THROW_ON_ERROR)] ?? null;
            $spread[] = $at === null ? array_fill(0, $labels, 0) : $columns[$at];
            $without[] = $at === null ? 0 : $missing[$at];
        }

        return [$spread, $without];
    }
}
