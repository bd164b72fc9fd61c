<?php

declare(strict_types=1);

namespace App\Console;

use App\Intake\ReadVariable;
use RowTally\Core\Basis\MissingRows;
use RowTally\Core\Columns\Grouping;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Columns\TallyUnderCounts;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Frequency\LabelFrequencies;
use RowTally\Core\Frequency\NumberFrequencies;
use RowTally\Core\Grouped\ClassCost;
use RowTally\Core\Match\Explanation;
use RowTally\Core\Match\FindFigure;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Profile\RowGrouping;
use RowTally\Core\Readings\Reading;
use RowTally\Core\Readings\RowWord;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\OrderedValues;

/** What is worked out of a file for a question, whatever form it is told in. */
final readonly class FileAnswers
{
    /** So many other variables are tried as counts of a figure that was given. */
    private const OTHER_COUNTS = 5;

    /** @param list<ReadVariable> $variables */
    private function __construct(
        public FileColumns $columns,
        public FileQuestion $question,
        public array $variables,
        public RowGrouping $slicing,
    ) {}

    /** @throws UnusableRequest */
    public static function of(FileColumns $columns, FileQuestion $question): self
    {
        $variables = $question->names === []
            ? array_values(array_filter($columns->variables(), static fn(ReadVariable $variable): bool => $variable->type === VariableType::Number && $variable->name !== $question->basis->counts))
            : array_map($columns->variable(...), $question->names);
        $counts = $question->basis->counts;
        if ($counts !== null) {
            $columns->number($counts);
        }
        $complete = $question->basis->missingRows === MissingRows::PerVariable ? [] : [
            ...array_map(static fn(ReadVariable $variable): string => $variable->name, $variables),
            ...$question->by,
            ...($counts === null ? [] : [$counts]),
        ];

        return new self($columns, $question, $variables, RowGrouping::of($columns, $question->by, $complete, $question->basis));
    }

    /**
     * @param non-empty-list<Observations> $observations
     *
     * @return list<Histogram> over the same classes
     */
    public function histograms(array $observations): array
    {
        return Histogram::each(
            array_map(static fn(Observations $group): OrderedValues => $group->values, $observations),
            $this->question->classes->classes($observations[0], $this->question->basis->classEdge),
            $this->question->basis->classEdge,
        );
    }

    public function display(ReadVariable $variable, Observations $overall): FigureText
    {
        return new FigureText($this->question->basis, $variable->decimals, $overall->countDecimals);
    }

    /** @return non-empty-list<Observations> overall, then each group */
    public function observations(ReadVariable $variable): array
    {
        $column = $this->columns->number($variable->name);
        $counts = $this->question->basis->counts;
        $of = fn(Grouping $grouping): array => $counts === null
            ? TallyColumn::byGroup($column, $grouping)
            : TallyUnderCounts::byGroup($column, $this->columns->number($counts), $grouping, $counts);

        return [$of($this->slicing->overall)[0], ...($this->question->by === [] ? [] : $of($this->slicing->grouping))];
    }

    public function frequencies(ReadVariable $variable): FrequencyTable
    {
        $counts = $this->question->basis->counts;

        return LabelFrequencies::table(
            $this->columns->chunks($variable->name),
            $variable->dictionary,
            [$this->slicing->overall, ...($this->question->by === [] ? [] : [$this->slicing->grouping])],
            $counts === null ? null : $this->columns->number($counts),
        );
    }

    /** @return list<Reading> */
    public function readings(ReadVariable $variable, RowWord $rows): array
    {
        $says = new FileReadings($this->columns, $this->question->basis, $this->slicing, $rows);
        if ($variable->type !== VariableType::Number) {
            return $variable->type === VariableType::Category ? $says->ofLabels($variable, $this->frequencies($variable), in_array($variable->name, $this->question->by, true)) : [];
        }
        $columns = $this->observations($variable);
        $hasClasses = $columns[0]->canBeDrawn() && $columns[0]->values->hasMoreDistinctThan(NumberFrequencies::FEW);

        return $says->ofNumber($variable, $columns, $hasClasses ? ClassCost::of($columns[0], $this->histograms([$columns[0]])[0], $this->question->basis->takenAs) ?? [] : []);
    }

    /** @return array{read: string|null, matches: list<Explanation>, nearest: list<Explanation>} */
    public function found(ReadVariable $variable, Observations $overall, string $stated): array
    {
        return FindFigure::ofText($stated, $overall, $this->question->basis, $this->underOtherCounts($variable));
    }

    /** @return array<string, Observations> with the counts in force forgotten, or under variables that could be counts */
    private function underOtherCounts(ReadVariable $variable): array
    {
        $column = $this->columns->number($variable->name);
        if ($this->question->basis->counts !== null) {
            return ['counts forgotten' => TallyColumn::byGroup($column, $this->slicing->overall)[0]];
        }
        $found = [];
        foreach ($this->columns->variables() as $other) {
            if (count($found) < self::OTHER_COUNTS && $other->name !== $variable->name && $other->type === VariableType::Number && $other->decimals !== null) {
                $own = TallyColumn::whole($this->columns->number($other->name));
                if ($own->n() > 0 && $own->missing === 0 && !$own->values->at(1)->isNegative()) {
                    $found["{$other->name} used as counts"] = TallyUnderCounts::byGroup($column, $this->columns->number($other->name), $this->slicing->overall, $other->name)[0];
                }
            }
        }

        return $found;
    }
}
