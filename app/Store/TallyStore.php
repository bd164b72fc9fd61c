<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\BucketedValues;
use WeakMap;

/** Where tallies are kept, for the revision that last changed what they count. Derived: all of it may be emptied at any time. */
final class TallyStore
{
    /** A statement has only so many places for values. */
    private const FORGOTTEN_AT_ONCE = 10_000;

    /** @var WeakMap<Variable, array<string, string>>|null what was read ahead of each variable, until it is asked for */
    private static ?WeakMap $ahead = null;

    /**
     * Reads at once what will be asked for: a question needs two or three tallies of a variable, and each would be an exchange with the
     * database by itself. What was not foreseen here is read when it is asked for.
     *
     * @param list<array{TallyKind, string, int}> $tallies kind, grouping and revision of each
     */
    public static function readAhead(Variable $variable, array $tallies): void
    {
        $each = implode(' or ', array_fill(0, count($tallies), '(variable_id = ? and kind = ? and `grouping` = ? and revision = ?)'));
        $values = array_merge(...array_map(static fn(array $tally): array => [$variable->id, $tally[0]->value, $tally[1], $tally[2]], $tallies));
        $found = [];
        foreach (DB::select("select kind, `grouping`, revision, payload from tallies where {$each}", $values) as $row) {
            /** @var \stdClass&object{kind: string, grouping: string, revision: int, payload: string} $row */
            $found["{$row->kind} {$row->revision} {$row->grouping}"] = $row->payload;
        }
        self::$ahead ??= new WeakMap();
        self::$ahead[$variable] = $found;
    }

    /**
     * A tally holds until the values of its variable, or of what groups them, change.
     *
     * @param callable(): list<Observations> $count is asked once or twice
     *
     * @return list<Observations>
     */
    public static function tallied(Variable $variable, string $grouping, int $revision, callable $count): array
    {
        $payload = self::payload($variable, TallyKind::Values, $grouping, $revision);
        if ($payload !== null) {
            return PackedTallies::unpack($payload, $variable->decimals);
        }
        $observations = $count();
        if (app()->runningInConsole() || !self::areInBuckets($observations)) {
            self::keep($variable, $grouping, $revision, $observations);
        } elseif (array_sum(array_map(static fn(Observations $group): int => $group->n(), $observations)) <= config()->integer('app.values_held')) {
            // To put a million values in order takes longer than to answer: whoever asked need not wait for it.
            defer(static fn() => self::keep($variable, $grouping, $revision, $observations))->always();
        } else {
            // Of several variables memory would not hold all until then: each is counted again when its turn comes.
            defer(static fn() => self::keep($variable, $grouping, $revision, $count()))->always();
        }

        return $observations;
    }

    public static function payload(Variable $variable, TallyKind $kind, string $grouping, int $revision): ?string
    {
        $name = "{$kind->value} {$revision} {$grouping}";
        $ahead = self::$ahead[$variable] ?? [];
        if (isset(self::$ahead, $ahead[$name])) {
            // Once: the bytes are not held on to.
            self::$ahead[$variable] = array_diff_key($ahead, [$name => true]);

            return $ahead[$name];
        }
        $payload = DB::table('tallies')->where(['variable_id' => $variable->id, 'kind' => $kind->value, 'grouping' => $grouping, 'revision' => $revision])->value('payload');

        return is_string($payload) ? $payload : null;
    }

    /** @param list<Observations> $observations */
    private static function keep(Variable $variable, string $grouping, int $revision, array $observations): void
    {
        // Buckets and the tally that names them appear at once, so that nobody sweeps away what is not named yet.
        DB::transaction(static fn() => self::store($variable, TallyKind::Values, $grouping, $revision, PackedTallies::pack($observations, $variable, $grouping)));
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

    public static function store(Variable $variable, TallyKind $kind, string $grouping, int $revision, string $payload): void
    {
        $own = ['variable_id' => $variable->id, 'kind' => $kind->value, 'grouping' => $grouping];
        // Two profiles at once may both have worked it out; the answers are the same, and the first is kept.
        $isKept = DB::table('tallies')->insertOrIgnore([...$own, 'revision' => $revision, 'payload' => $payload]) === 1;
        if ($isKept && ($kind !== TallyKind::Values || $grouping !== '')) {
            // Undo may want all values of an older revision again; of the others only the last is of use.
            DB::table('tallies')->where($own)->where('revision', '<', $revision)->delete();
        }
        if ($kind !== TallyKind::Values) {
            return;
        }
        $sweep = static fn() => self::sweep($variable, $own);
        if (app()->runningInConsole()) {
            $sweep();
        } else {
            defer($sweep)->always();
        }
    }

    /**
     * Forgets buckets that no tally names any more. The last two tallies keep theirs: somebody may still be reading the older one.
     *
     * @param array{variable_id: int, kind: string, grouping: string} $own
     */
    private static function sweep(Variable $variable, array $own): void
    {
        // Those that are there before the tallies are read: a bucket that comes later is named by a tally that is not read here.
        $ids = DB::table('tally_buckets')->where(array_diff_key($own, ['kind' => 0]))->pluck('id')->map(static fn(mixed $id): int => is_numeric($id) ? (int) $id : 0)->all();
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
        foreach (array_chunk(array_diff($ids, $named), self::FORGOTTEN_AT_ONCE) as $some) {
            DB::table('tally_buckets')->whereIn('id', $some)->delete();
        }
    }
}
