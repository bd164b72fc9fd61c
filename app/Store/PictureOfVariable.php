<?php

declare(strict_types=1);

namespace App\Store;

use App\Drawing\PictureSource;
use App\Models\Dataset;
use App\Models\Variable;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Formula\Condition;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Plots\Slopes;
use RowTally\Core\Plots\StackOptions;
use RowTally\Core\Profile\RowGrouping;

/** One variable of a stored dataset, to be drawn: everything is read when it is first asked for. */
final class PictureOfVariable implements PictureSource
{
    private ?StoredGrouping $rowGrouping = null;
    /** @var non-empty-list<Observations>|null */
    private ?array $columns = null;
    private ?GroupedProfile $classes = null;
    /** @var list<int>|null */
    private ?array $groups = null;
    /** @var array<int, string|false> */
    private array $rowsOf = [];

    /** @param list<string> $countColumns keys of variables, each the counts of one group of classes */
    public function __construct(
        private readonly Tallies $tallies,
        private readonly GroupedVariable $grouped,
        private readonly Dataset $dataset,
        private readonly Variable $variable,
        private readonly Question $question,
        /** Key of the figure that groups are ordered by; '' = as they are. */
        private readonly string $laneOrder = '',
        private readonly ClassReading $reading = new ClassReading(),
        private readonly array $countColumns = [],
    ) {}

    public function variable(): string
    {
        return $this->variable->name;
    }

    public function axisName(): string
    {
        return $this->variable->nameWithUnit();
    }

    public function unit(): ?string
    {
        return $this->variable->unit;
    }

    public function names(): array
    {
        return ['Overall', ...array_map(fn(int $group): string => RowGrouping::name($this->rowGrouping()->labels[$group]), $this->groups())];
    }

    public function basis(): Basis
    {
        return $this->question->basis;
    }

    public function stackOptions(): StackOptions
    {
        return $this->question->stack;
    }

    public function counted(): string
    {
        $unit = $this->question->basis->countsUnit;

        return $this->question->basis->counts === null ? 'rows' : $this->question->basis->counts . ($unit === null ? '' : " ({$unit})");
    }

    public function columns(): array
    {
        if ($this->columns === null) {
            if ($this->variable->type !== VariableType::Number) {
                throw UnknownVariable::hasNoFigures($this->variable->name);
            }
            $all = $this->tallies->numbers($this->variable, $this->rowGrouping(), $this->dataset->revision);
            $this->columns = [$all[0], ...array_map(static fn(int $group): Observations => $all[$group + 1], $this->groups())];
        }

        return $this->columns;
    }

    public function order(): array
    {
        $own = array_slice(array_keys($this->columns()), 1);
        if ($this->laneOrder === '') {
            return [0, ...$own];
        }
        $statistic = Catalogue::chosen([$this->laneOrder])[0];
        $sizes = array_map(fn(Observations $column): float => $statistic->of($column, $this->question->basis)->number() ?? -INF, $this->columns());
        usort($own, static fn(int $a, int $b): int => [$sizes[$b], $a] <=> [$sizes[$a], $b]);

        return [0, ...$own];
    }

    public function labels(): FrequencyTable
    {
        if ($this->variable->type !== VariableType::Category) {
            throw UnknownVariable::hasNoClasses($this->variable->name);
        }
        $table = $this->tallies->labels($this->variable, $this->rowGrouping(), $this->dataset->revision)->columns([0, ...array_map(static fn(int $group): int => $group + 1, $this->groups())]);

        return $this->question->byCount ? $table->byCount() : $table;
    }

    public function classes(): GroupedProfile
    {
        return $this->classes ??= $this->grouped->profile($this->dataset, $this->question, $this->reading, $this->countColumns);
    }

    public function classNames(): array
    {
        return $this->countColumns === [] ? $this->names() : ['Overall', ...array_map($this->nameOf(...), $this->countColumns)];
    }

    public function others(): array
    {
        return array_values($this->dataset->variables
            ->filter(fn(Variable $variable): bool => $variable->type === VariableType::Number && $variable->key !== $this->variable->key)
            ->sortBy(fn(Variable $variable): int => $variable->unit === $this->variable->unit ? 0 : 1)
            ->map(static fn(Variable $variable): array => ['key' => $variable->key, 'name' => $variable->nameWithUnit()])
            ->all());
    }

    public function slopesFrom(): string
    {
        return $this->axisName();
    }

    public function slopesTo(string $key): Slopes
    {
        return Slopes::of(new StoredTable($this->dataset, $this->tallies), $this->variable->name, $this->nameOf($key), $this->question->basis);
    }

    public function rowsWhere(string $condition, int $column): ?string
    {
        // Every mark of a picture leads to rows: what is the same for all of a column is put into words once.
        $this->rowsOf[$column] ??= $this->rowsOfColumn($column) ?? false;

        return $this->rowsOf[$column] === false ? null : $condition . $this->rowsOf[$column];
    }

    /** What follows a condition to leave the rows of a column only; null where no condition does. */
    private function rowsOfColumn(int $column): ?string
    {
        $groups = [];
        foreach ($column === 0 ? [] : $this->rowGrouping()->by as $i => $split) {
            if ($split->type !== VariableType::Category) {
                return null;
            }
            $groups[] = Condition::label($split->name, $this->rowGrouping()->labels[$this->groups()[$column - 1]][$i]);
        }

        return Condition::all($this->question->basis->where, '', ...$groups);
    }

    private function nameOf(string $key): string
    {
        return ($this->dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key))->name;
    }

    private function rowGrouping(): StoredGrouping
    {
        return $this->rowGrouping ??= StoredGrouping::of($this->dataset, $this->question, $this->tallies);
    }

    /** @return list<int> the groups that are shown */
    private function groups(): array
    {
        return $this->groups ??= $this->rowGrouping()->shownGroups($this->question->showsNoEntry);
    }
}
