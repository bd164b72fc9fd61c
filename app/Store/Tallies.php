<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use App\Store\Changes\DraftRevision;
use Closure;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\DateEnds;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Columns\Grouping;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Columns\RowsMarked;
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
 * Distinct values with counts of a number variable, and counts of the labels of a category, whole or by any grouping of the rows,
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
        return TallyStore::tallied($variable, '', $variable->data_revision, static fn(): array => [TallyColumn::whole(StoredColumns::number($variable, $revision), self::told(...))])[0];
    }

    /**
     * @return list<Observations> of the rows that are in, then of each group of the grouping
     */
    public function numbers(Variable $variable, StoredGrouping $rowGrouping, int $revision): array
    {
        TallyStore::readAhead($variable, $rowGrouping->talliesOf($variable));
        if (!$rowGrouping->isPlain()) {
            return TallyStore::tallied($variable, $rowGrouping->key, $revision, static function () use ($variable, $rowGrouping): array {
                $column = $rowGrouping->table()->number($variable->name);
                $groupings = [$rowGrouping->grouping()->overall, ...($rowGrouping->by === [] ? [] : [$rowGrouping->grouping()->grouping])];
                $counts = $rowGrouping->counts === null ? null : $rowGrouping->table()->number($rowGrouping->counts->name);

                return array_merge(...array_map(static fn(Grouping $grouping): array => $counts === null
                    ? TallyColumn::byGroup($column, $grouping, self::told(...))
                    : TallyUnderCounts::byGroup($column, $counts, $grouping, $rowGrouping->counts->name), $groupings));
            });
        }
        return $this->inForce($variable, $rowGrouping->by, $rowGrouping->aside, $revision, $rowGrouping->setAside(...));
    }

    /**
     * The same of the groups alone: all of them together need not be counted.
     *
     * @return list<Observations>
     */
    public function byGroup(Variable $variable, StoredGrouping $rowGrouping, int $revision): array
    {
        return $rowGrouping->isPlain() && $rowGrouping->aside === null && $rowGrouping->by !== []
            ? $this->byLabel($variable, $rowGrouping->by[0], $revision)
            : array_slice($this->numbers($variable, $rowGrouping, $revision), 1);
    }

    /**
     * All rows but those set aside, then those of each label of a category.
     *
     * @param list<Variable>               $by     none or one
     * @param Variable|null                $aside  the reasons of rows set aside; null = there are none
     * @param (Closure(): RowsMarked)|null $marked which rows they are, where that may be known already
     *
     * @return non-empty-list<Observations>
     */
    public function inForce(Variable $variable, array $by, ?Variable $aside, int $revision, ?Closure $marked = null): array
    {
        $plain = $this->plain($variable, $by, $revision);
        if ($aside === null) {
            return $plain;
        }
        $marked ??= static fn(): RowsMarked => RowsMarked::by(StoredColumns::payloads($aside->id, $revision));
        $since = max($variable->data_revision, $aside->data_revision, ...array_map(static fn(Variable $split): int => $split->data_revision, $by));
        $counted = TallyStore::tallied($variable, StoredGrouping::plainKey($by, $aside), $since, static fn(): array => $variable->decimals === null
            ? self::countedWithout($marked(), $variable, $by[0] ?? null, $revision)
            : self::tallyOf($marked(), $variable, $by[0] ?? null, $revision));
        $left = [];
        foreach ($plain as $i => $all) {
            // Of decimals only the few that are set aside are kept: what is left is known from all.
            $left[] = $variable->decimals === null ? $counted[$i] : $all->less($counted[$i]);
        }

        return $left;
    }

    /**
     * All rows, then those of each label of a category.
     *
     * @param list<Variable> $by none or one
     *
     * @return non-empty-list<Observations>
     */
    private function plain(Variable $variable, array $by, int $revision): array
    {
        $all = null;
        $groups = $by === [] ? [] : $this->byLabel($variable, $by[0], $revision, $all);
        $whole = TallyStore::tallied($variable, '', $variable->data_revision, static function () use ($variable, $revision, &$all): array {
            return [$all ?? TallyColumn::whole(StoredColumns::number($variable, $revision), self::told(...))];
        })[0];
        // What counts again after the answer must not hold on to millions of values until then.
        $all = null;

        return [$whole, ...$groups];
    }

    /**
     * @param Observations|null $all becomes those of all rows, where they had to be counted and all came of the same pass
     *
     * @return list<Observations> those of each label, and those without one where there are any
     */
    private function byLabel(Variable $variable, Variable $by, int $revision, ?Observations &$all = null): array
    {
        $groups = TallyStore::tallied($variable, "by:{$by->id}", max($variable->data_revision, $by->data_revision), static function () use ($variable, $by, $revision, &$all): array {
            [$groups, $all] = TallyColumn::byGroupAndAll(StoredColumns::number($variable, $revision), Grouping::ofCategory(StoredColumns::chunks($by, $revision), count($by->dictionary)), self::told(...));

            return $groups;
        });

        return self::unlabelledLast($groups, $by);
    }

    private static function told(int $done, int $of): void
    {
        Underway::tell('Counting the values', $done, $of);
    }

    /**
     * What some rows have, by the columns of `plain()`.
     *
     * @return list<Observations>
     */
    private static function tallyOf(RowsMarked $marked, Variable $variable, ?Variable $by, int $revision): array
    {
        $window = StoredColumns::window([$variable->id, ...($by === null ? [] : [$by->id])], $revision, $marked->chunks());
        $chunks = static fn(int $id): array => array_map(static fn(EncodedCells $cells): Chunk => $cells->chunk, $window[$id] ?? []);
        $tallies = $marked->tally(
            new NumberColumn($variable->decimals, $variable->dictionary, []),
            $chunks($variable->id),
            $by === null ? [] : $chunks($by->id),
            count($by->dictionary ?? []),
        );

        return $by === null || $by->missing > 0 ? $tallies : array_slice($tallies, 0, -1);
    }

    /**
     * Doubles are counted anew without the rows set aside: sums of them cannot be taken apart again.
     *
     * @return list<Observations>
     */
    private static function countedWithout(RowsMarked $marked, Variable $variable, ?Variable $by, int $revision): array
    {
        $chunks = StoredColumns::chunks($variable, $revision);
        $labels = $by === null ? null : StoredColumns::chunks($by, $revision);
        $whole = $groups = [];
        foreach ($chunks as $number => $chunk) {
            $in = array_fill(0, $chunk->rows, 0);
            $codes = $labels === null ? $in : array_values($labels[$number]->integers());
            foreach ($marked->places()[$number] ?? [] as $place) {
                $in[$place] = $codes[$place] = null;
            }
            $whole[] = $in;
            $groups[] = $codes;
        }
        $column = new NumberColumn($variable->decimals, $variable->dictionary, $chunks);
        $all = TallyColumn::byGroup($column, Grouping::ofCodes($whole, 1), self::told(...));

        return $by === null ? $all : [...$all, ...self::unlabelledLast(TallyColumn::byGroup($column, Grouping::ofCodes($groups, count($by->dictionary) + 1), self::told(...)), $by)];
    }

    /**
     * Rows without a label come last, and only where there are any.
     *
     * @param list<Observations> $groups those without a label, then those of each
     *
     * @return list<Observations>
     */
    private static function unlabelledLast(array $groups, Variable $by): array
    {
        $unlabelled = array_shift($groups);

        return [...$groups, ...($by->missing > 0 && $unlabelled !== null ? [$unlabelled] : [])];
    }

    /** How often each label of a category occurs among the rows that are in, then in each group of the grouping. */
    public function labels(Variable $variable, StoredGrouping $rowGrouping, int $revision): FrequencyTable
    {
        if ($rowGrouping->isPlain() && $rowGrouping->by === []) {
            return $this->labelsInForce($variable, $rowGrouping->aside, $revision, $rowGrouping->setAside(...));
        }
        $stored = TallyStore::payload($variable, TallyKind::Labels, $rowGrouping->key, $revision);
        $labels = count($variable->dictionary);
        if (!is_string($stored)) {
            $counts = $rowGrouping->counts === null ? null : $rowGrouping->table()->number($rowGrouping->counts->name);
            $chunks = $rowGrouping->table()->chunks($variable->name);
            $numbers = [];
            foreach ([$rowGrouping->grouping()->overall, ...($rowGrouping->by === [] ? [] : [$rowGrouping->grouping()->grouping])] as $grouping) {
                $part = LabelFrequencies::byGroup($chunks, $labels, $grouping, $counts);
                $numbers[0] = max($numbers[0] ?? 0, $part['countDecimals']);
                foreach ($part['counts'] as $group => $column) {
                    array_push($numbers, $part['missing'][$group], ...$column);
                }
            }
            $stored = pack('q*', ...$numbers);
            TallyStore::store($variable, TallyKind::Labels, $rowGrouping->key, $revision, $stored);
        }
        $numbers = array_values(Packed::integers('q*', $stored));
        $countDecimals = array_shift($numbers) ?? 0;
        $columns = array_chunk($numbers, $labels + 1);
        $missing = array_map(static fn(array $column): int => $column[0], $columns);
        // A plain grouping has a group for each label, the others only for those that occur.
        $columns = array_map(static fn(array $column): array => array_slice($column, 1), $columns);
        if ($rowGrouping->isPlain() && count($columns) !== count($rowGrouping->labels) + 1) {
            [$columns, $missing] = self::spread($columns, $missing, $rowGrouping, $labels);
        }

        return new FrequencyTable(FrequencyKind::Labels, $variable->dictionary, $columns, $missing, $countDecimals);
    }

    /**
     * How often each label occurs among the rows that are not set aside.
     *
     * @param (Closure(): RowsMarked)|null $marked which rows are, where that may be known already
     */
    public function labelsInForce(Variable $variable, ?Variable $aside, int $revision, ?Closure $marked = null): FrequencyTable
    {
        if ($aside === null) {
            return new FrequencyTable(FrequencyKind::Labels, $variable->dictionary, [$variable->label_counts], [$variable->missing]);
        }
        $marked = $marked === null ? RowsMarked::by(StoredColumns::payloads($aside->id, $revision)) : $marked();
        $chunks = array_map(static fn(EncodedCells $cells): Chunk => $cells->chunk, StoredColumns::window([$variable->id], $revision, $marked->chunks())[$variable->id] ?? []);
        $out = $marked->labels($chunks, count($variable->dictionary));

        return new FrequencyTable(
            FrequencyKind::Labels,
            $variable->dictionary,
            [array_map(static fn(int $all, int $some): int => $all - $some, $variable->label_counts, $out['counts'])],
            [$variable->missing - $out['missing']],
        );
    }

    /** @return list<int> the rows, from 1, that a counts variable leaves out */
    public function rowsLeftOut(Variable $counts, int $revision): array
    {
        $stored = TallyStore::payload($counts, TallyKind::RowsLeftOut, '', $counts->data_revision);
        if (is_string($stored)) {
            return $stored === '' ? [] : array_values(Packed::integers('V*', $stored));
        }
        $rows = TallyUnderCounts::rowsLeftOut(StoredColumns::number($counts, $revision));
        TallyStore::store($counts, TallyKind::RowsLeftOut, '', $counts->data_revision, implode('', array_map(static fn(int $row): string => pack('V', $row), $rows)));

        return $rows;
    }

    /** @return array{first: string, last: string}|null the first and the last day or moment of a date variable among the rows that are in; null without any */
    public function dates(Variable $variable, StoredGrouping $rowGrouping, int $revision): ?array
    {
        $isWhole = $rowGrouping->isPlain() && $rowGrouping->aside === null;
        $key = $isWhole ? '' : $rowGrouping->key;
        $since = $isWhole ? $variable->data_revision : $rowGrouping->since($variable);
        $stored = TallyStore::payload($variable, TallyKind::DateEnds, $key, $since);
        if (!is_string($stored)) {
            $ends = DateEnds::of(StoredColumns::chunks($variable, $revision), $isWhole ? Grouping::none() : $rowGrouping->grouping()->overall);
            $stored = $ends === null ? '' : implode(' to ', $ends);
            TallyStore::store($variable, TallyKind::DateEnds, $key, $since, $stored);
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
        TallyStore::store($variable, TallyKind::Values, '', $variable->data_revision, PackedTallies::pack(array_map(
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
            $variable->update(['micro_histogram' => $values === null ? [] : MicroHistogram::of($values)]);
            VariableVersions::keep($variable, $draft->number);
        }
        if ($toOrder) {
            OrderVariables::dispatch($draft->dataset->id);
        }
    }

    private function carried(DraftRevision $draft, Variable $variable): ?OrderedValues
    {
        $difference = $draft->differences()->of($variable->id);
        if ($difference === null || count($difference['removed']) + count($difference['added']) > self::FEW_CHANGES) {
            return null;
        }
        $revision = $draft->dataRevisionBefore($variable->id);
        $before = $revision === null ? null : TallyStore::payload($variable, TallyKind::Values, '', $revision);
        if ($before === null || strlen($before) > self::QUICK_BYTES) {
            return null;
        }
        $values = PackedTallies::unpack($before, $variable->decimals)[0]->values;

        return $values instanceof BucketedValues && $values->buckets instanceof StoredBuckets
            ? StoredBuckets::changed($values, $values->buckets, $difference['removed'], $difference['added'], $variable)
            : $values->counted()->changed($difference['removed'], $difference['added']);
    }

    /**
     * Puts the groups that occur where a plain grouping has them.
     *
     * @param list<list<int>> $columns
     * @param list<int>       $missing
     *
     * @return array{list<list<int>>, list<int>}
     */
    private static function spread(array $columns, array $missing, StoredGrouping $rowGrouping, int $labels): array
    {
        $places = [];
        foreach ($rowGrouping->grouping()->labels as $i => $label) {
            $places[json_encode($label, JSON_THROW_ON_ERROR)] = $i + 1;
        }
        $spread = [$columns[0]];
        $without = [$missing[0]];
        foreach ($rowGrouping->labels as $label) {
            $at = $places[json_encode($label, JSON_THROW_ON_ERROR)] ?? null;
            $spread[] = $at === null ? array_fill(0, $labels, 0) : $columns[$at];
            $without[] = $at === null ? 0 : $missing[$at];
        }

        return [$spread, $without];
    }
}
