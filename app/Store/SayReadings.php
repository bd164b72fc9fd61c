<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Grouped\ClassCost;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Plots\Bars;
use RowTally\Core\Profile\RowGrouping;
use RowTally\Core\Readings\ClassesSubject;
use RowTally\Core\Readings\LabelsSubject;
use RowTally\Core\Readings\Reading;
use RowTally\Core\Readings\Readings;
use RowTally\Core\Readings\Wording;

/** What the variables of a dataset say. */
final readonly class SayReadings
{
    public function __construct(private Tallies $tallies, private GroupedVariable $grouped) {}

    /**
     * Of the variables asked for, or of all; the heaviest first.
     *
     * @return list<array{variable: Variable, reading: Reading}>
     */
    public function of(Dataset $dataset, Question $question, ClassReading $reading = new ClassReading()): array
    {
        $rowGrouping = StoredGrouping::of($dataset, $question, $this->tallies);
        $variables = $dataset->variables->keyBy('key');
        $asked = $question->of === [] ? $dataset->variables->all() : array_map(static fn(string $key): Variable => $variables->get($key) ?? throw UnknownVariable::named($key), $question->of);
        $said = [];
        foreach ($asked as $variable) {
            $readings = match ($variable->type) {
                VariableType::Number => $variable->key === $question->counts ? [] : $this->ofNumber($dataset, $variable, $rowGrouping, $question),
                VariableType::Category => $this->ofLabels($dataset, $variable, $rowGrouping, $question, $reading),
                default => [],
            };
            foreach ($readings as $one) {
                $said[] = ['variable' => $variable, 'reading' => $one];
            }
        }
        usort($said, static fn(array $one, array $other): int => $other['reading']->weight <=> $one['reading']->weight);

        return $said;
    }

    /** @return list<Reading> */
    private function ofNumber(Dataset $dataset, Variable $variable, StoredGrouping $rowGrouping, Question $question): array
    {
        $all = $this->tallies->numbers($variable, $rowGrouping, $dataset->revision);
        Facts::know($variable, $rowGrouping, $all);
        $columns = [[null, $all[0]]];
        $shown = $rowGrouping->shownGroups($question->showsNoEntry);
        foreach ($shown as $group) {
            $columns[] = [RowGrouping::name($rowGrouping->labels[$group]), $all[$group + 1]];
        }
        $id = $dataset->rowNames();

        return Readings::ofVariable(
            $variable->name,
            $columns,
            new Wording(new FigureText($question->basis, $variable->shown_decimals ?? $variable->decimals, $all[0]->countDecimals), $variable->unit, $dataset->rowWord(), $question->basis),
            $id === null ? null : new NamesOfShown($rowGrouping, $variable->name, $id->name, $shown),
            $question->of === [] ? [] : $this->costs($all[0], $question),
        );
    }

    /** @return list<ClassCost> of the table of classes that the sheet shows */
    private function costs(Observations $overall, Question $question): array
    {
        $bars = $overall->canBeDrawn() ? Bars::of($overall, [], $question->basis, $question->stack) : null;

        return $bars === null ? [] : ClassCost::of($overall, $bars->histograms[0], $question->basis->takenAs) ?? [];
    }

    /** @return list<Reading> */
    private function ofLabels(Dataset $dataset, Variable $variable, StoredGrouping $rowGrouping, Question $question, ClassReading $reading): array
    {
        $shown = $rowGrouping->shownGroups($question->showsNoEntry);
        $table = $this->tallies->labels($variable, $rowGrouping, $dataset->revision)->columns([0, ...array_map(static fn(int $group): int => $group + 1, $shown)]);
        $wording = new Wording(new FigureText($question->basis, null, $table->countDecimals), null, $dataset->rowWord(), $question->basis);
        $readings = [];
        // Of the groups that it makes itself each has one label.
        foreach (in_array($variable->key, $question->by, true) ? array_slice($table->counts, 0, 1) : $table->counts as $column => $counts) {
            $name = $column === 0 ? null : RowGrouping::name($rowGrouping->labels[$shown[$column - 1]]);
            array_push($readings, ...Readings::ofLabels(new LabelsSubject($variable->name, $table->labels, $counts, $wording, $table->countDecimals, $name)));
        }
        if ($question->of !== [] && GroupedProfile::readsAsClasses($table)) {
            array_push($readings, ...$this->ofClasses($dataset, $variable, $question, $reading));
        }

        return Readings::heaviest($readings);
    }

    /** @return list<Reading> */
    private function ofClasses(Dataset $dataset, Variable $variable, Question $question, ClassReading $reading): array
    {
        try {
            $profile = $this->grouped->profile($dataset, $question->about([$variable->key]), $reading);
        } catch (NotUnderstood) {
            // The table of classes says itself what is wrong with it.
            return [];
        }
        $wording = new Wording(new FigureText($question->basis, $profile->dataDecimals, $profile->countDecimals), $variable->unit, $dataset->rowWord(), $question->basis);

        return Readings::ofClasses(new ClassesSubject($profile->columns[0], $wording));
    }
}
