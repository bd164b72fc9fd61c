<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Formula\Condition;
use RowTally\Core\Judging\Dependence;
use RowTally\Core\Judging\FarOut;
use RowTally\Core\Judging\Inside;
use RowTally\Core\Judging\Shape;
use RowTally\Core\Judging\SpreadLimits;
use RowTally\Core\Judging\WithoutFar;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Profile\RowGrouping;
use RowTally\Core\Profile\RowsBeyond;
use RowTally\Core\Values\Exact;

/** What somebody needs who judges a number variable: its far rows, and what changes without them; its shape and spread; what its figures depend on. */
final readonly class JudgeVariable
{
    private const MOST_ROWS = 100;
    /** So many rows two SD out are looked at; of more, the outermost of all of them are not known. */
    private const MOST_LOOKED_AT = 100_000;
    private const LONGEST_WHERE = 2000;

    public function __construct(private Tallies $tallies, private ReadRows $readRows) {}

    /** @return array<string, mixed> */
    public function of(Dataset $dataset, Question $question): array
    {
        $key = $question->of[0] ?? '';
        $variable = $dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key);
        if ($variable->type !== VariableType::Number) {
            throw UnknownVariable::hasNoFigures($variable->name);
        }
        $grouping = StoredGrouping::of($dataset, $question, $this->tallies);
        $all = $this->tallies->numbers($variable, $grouping, $dataset->revision);
        Facts::know($variable, $grouping, $all);
        $shown = $grouping->shownGroups($question->showsNoEntry);
        $display = new FigureText($question->basis, $variable->shown_decimals ?? $variable->decimals, $all[0]->countDecimals);
        $columns = [];
        // By the places that groups have in the grouping that is read, not those that are shown.
        $limits = [self::fences($all[0], $question)];
        foreach ([null, ...$shown] as $group) {
            $observations = $all[$group === null ? 0 : $group + 1];
            $without = Inside::of($observations, $question->basis);
            $columns[] = [
                'name' => $group === null ? null : RowGrouping::name($grouping->labels[$group]),
                'without' => array_map(static fn(WithoutFar $line): array => (array) $line, WithoutFar::of($observations, $without, $question->basis, $display)),
                'shape' => (array) Shape::of($observations, $question->basis, $display),
                'spread' => array_map(static fn(SpreadLimits $line): array => (array) $line, SpreadLimits::of($observations, $question->basis, $display)),
                'depends' => array_map(static fn(Dependence $line): array => (array) $line, Dependence::of($observations, $without, $question->basis, $question->statistics, $display)),
            ];
        }
        // What is held of the values makes room for the rows.
        unset($without);
        $rows = $grouping->grouping();
        foreach ($grouping->by === [] ? [] : $rows->labels as $labels) {
            $place = array_search($labels, $grouping->labels, true);
            $limits[] = is_int($place) && in_array($place, $shown, true) ? self::fences($all[$place + 1], $question) : null;
        }
        $beyond = RowsBeyond::of($grouping->table(), $variable->name, $rows, $limits, self::MOST_ROWS);

        return [
            'revision' => $dataset->revision,
            'columns' => $columns,
            'z' => $this->farOut($dataset, $variable, $grouping, $rows, [$all[0]], true, $question, $display),
            'z_within' => $grouping->by === [] ? null : $this->farOut($dataset, $variable, $grouping, $rows, array_map(static fn(array $labels): ?Observations => is_int($place = array_search($labels, $grouping->labels, true)) && in_array($place, $shown, true) ? $all[$place + 1] : null, $rows->labels), false, $question, $display),
            'far' => ['total' => $beyond['total'], 'rows' => $this->rows($dataset, $variable, $beyond['rows'], $rows)],
        ];
    }

    /**
     * The rows two standard deviations out or farther, the farthest first: of one column, which is overall, or each in its group.
     *
     * @param list<Observations|null> $columns
     *
     * @return array{over: list<array{k: int, count: string, expected: string}>, total: int, where: string|null, rows: list<array{row: int, label: string|null, value: string, z: float, text: string}>}
     */
    private function farOut(Dataset $dataset, Variable $variable, StoredGrouping $stored, RowGrouping $grouping, array $columns, bool $isOverall, Question $question, FigureText $display): array
    {
        $each = array_map(static fn(?Observations $column): ?FarOut => $column === null ? null : FarOut::of($column, $question->basis), $columns);
        $limits = array_map(static fn(?FarOut $out): ?array => $out?->limits(), $each);
        $beyond = RowsBeyond::of($stored->table(), $variable->name, $grouping, $isOverall ? $limits : [null, ...$limits], self::MOST_LOOKED_AT, true);
        $rows = $away = $ends = [];
        foreach ($beyond['rows'] as ['row' => $row, 'value' => $value, 'columns' => [$column]]) {
            $place = $isOverall ? 0 : $column - 1;
            $out = $each[$place] ?? null;
            if ($out !== null) {
                $z = $out->z($value);
                $rows[$row] = ['row' => $row, 'value' => $value, 'z' => $z];
                $away[$row] = abs($z);
                [$low, $high] = $ends[$place] ?? [null, null];
                $ends[$place] = $z < 0 ? [max($low ?? $value, $value), $high] : [$low, min($high ?? $value, $value)];
            }
        }
        // Equally far ones are in the order of the rows.
        ksort($away);
        arsort($away);
        $id = $dataset->variables->firstWhere('type', VariableType::Id);
        [$two, $three, $expectedTwo, $expectedThree] = [0, 0, 0.0, 0.0];
        foreach ($each as $out) {
            $two += $out->over2 ?? 0;
            $three += $out->over3 ?? 0;
            $expectedTwo += $out->expected2 ?? 0.0;
            $expectedThree += $out->expected3 ?? 0.0;
        }
        $perRow = 10 ** ($columns[0]->countDecimals ?? 0);
        $shown = array_map(static fn(int $row): array => $rows[$row], array_slice(array_keys($away), 0, self::MOST_ROWS));
        $labels = $id === null ? [] : $this->readRows->these($dataset, array_column($shown, 'row'), [$id->key])->cells[$id->key];

        return [
            'over' => [
                ['k' => 2, 'count' => DecimalText::whole($two / $perRow), 'expected' => DecimalText::of($expectedTwo, 1)],
                ['k' => 3, 'count' => DecimalText::whole($three / $perRow), 'expected' => DecimalText::of($expectedThree, 1)],
            ],
            'total' => $beyond['total'],
            'where' => self::whereOut($dataset, $variable, $stored, $grouping, $ends, $isOverall, $question),
            'rows' => array_map(static fn(array $row, int $place): array => [
                'row' => $row['row'],
                'label' => $labels[$place] ?? null,
                'value' => $display->inUnit($row['value'], true),
                'z' => $row['z'],
                'text' => DecimalText::of($row['z'], 2),
            ], $shown, array_keys($shown)),
        ];
    }

    /**
     * The condition that leaves the rows that lie out; null where there are none, or a number splits them.
     *
     * @param array<int, array{float|null, float|null}> $ends the innermost values that lie out, below and above, by column
     */
    private static function whereOut(Dataset $dataset, Variable $variable, StoredGrouping $stored, RowGrouping $grouping, array $ends, bool $isOverall, Question $question): ?string
    {
        $any = [];
        foreach ($ends as $place => [$low, $high]) {
            $out = implode(' or ', [
                ...($low === null ? [] : [Condition::name($variable->name) . ' <= ' . Exact::plainText($low)]),
                ...($high === null ? [] : [Condition::name($variable->name) . ' >= ' . Exact::plainText($high)]),
            ]);
            $labels = [];
            foreach ($isOverall ? [] : $stored->by as $i => $split) {
                if ($split->type !== VariableType::Category) {
                    return null;
                }
                $labels[] = Condition::label($split->name, $grouping->labels[$place][$i] ?? null);
            }
            $any[] = $labels === [] ? "({$out})" : '(' . implode(' and ', $labels) . " and ({$out}))";
        }
        if ($any === []) {
            return null;
        }
        $where = Condition::all($question->basis->where, ...($dataset->set_aside === 0 ? [] : ['missing(' . Condition::name(StoredRows::ASIDE) . ')']), ...[count($any) === 1 ? $any[0] : '(' . implode(' or ', $any) . ')']);

        return strlen($where) > self::LONGEST_WHERE ? null : $where;
    }

    /** @return array{float, float}|null */
    private static function fences(Observations $observations, Question $question): ?array
    {
        if ($observations->n() === 0) {
            return null;
        }
        $quartiles = $observations->quartiles($question->basis->quartileRule);

        return [Exact::near($quartiles->lowerFence($question->basis->innerFence)), Exact::near($quartiles->upperFence($question->basis->innerFence))];
    }

    /**
     * @param list<array{row: int, value: float, columns: list<int>}> $found
     *
     * @return list<array{row: int, cells: array<string, string>, beyond: list<string|null>, stays: bool}>
     */
    private function rows(Dataset $dataset, Variable $variable, array $found, RowGrouping $grouping): array
    {
        $looked = DB::table('looked_at')->where('dataset_id', $dataset->id)->where('line', 'like', "{$variable->key}:far-row:%")->pluck('revision', 'line')->all();
        $cells = $this->readRows->these($dataset, array_column($found, 'row'))->cells;
        $rows = [];
        foreach ($found as $place => ['row' => $row, 'columns' => $columns]) {
            $seen = $looked["{$variable->key}:far-row:{$row}"] ?? null;
            $rows[] = [
                'row' => $row,
                'cells' => array_map(static fn(array $column): string => $column[$place] ?? '', $cells),
                'beyond' => array_map(static fn(int $column): ?string => $column === 0 ? null : RowGrouping::name($grouping->labels[$column - 1] ?? []), $columns),
                'stays' => is_numeric($seen) && (int) $seen >= $variable->data_revision,
            ];
        }

        return $rows;
    }
}
