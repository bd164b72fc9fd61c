<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use RowTally\Core\Columns\Presence;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Parsing\VariableType;

/** Figures of a category whose labels are classes, under the counts of the basis or of a column for each group. */
final readonly class GroupedVariable
{
    public function __construct(private Tallies $tallies) {}

    /** @param list<string> $countColumns keys of variables, each the counts of one group; none = the counts of the basis */
    public function profile(Dataset $dataset, Question $question, ClassReading $reading = new ClassReading(), array $countColumns = []): GroupedProfile
    {
        $key = $question->of[0] ?? '';
        $variable = $dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key);
        if ($variable->type !== VariableType::Category) {
            throw UnknownVariable::hasNoClasses($variable->name);
        }
        $reading = $reading->markedBy($variable->label_mark === ',' || $variable->label_mark === '.' ? $variable->label_mark : null);
        foreach ([...$countColumns, ...($countColumns === [] && $question->counts !== null ? [$question->counts] : [])] as $counts) {
            $this->makeSureOfCounts($dataset, $variable, $counts);
        }
        if ($countColumns === []) {
            return GroupedProfile::of($this->byGroup($dataset, $variable, $question), $reading);
        }
        if ($question->by !== []) {
            throw NotUnderstood::splitAndColumns();
        }

        return GroupedProfile::of(FrequencyTable::together(array_map(
            fn(string $counts): FrequencyTable => $this->byGroup($dataset, $variable, $question->countedBy($counts)),
            $countColumns,
        )), $reading);
    }

    /** A row with a class and no count would be a class of nothing: it is named instead. */
    private function makeSureOfCounts(Dataset $dataset, Variable $classes, string $key): void
    {
        $counts = $dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key);
        $leftOut = $counts->type === VariableType::Number ? $this->tallies->rowsLeftOut($counts, $dataset->revision) : [];
        if ($leftOut === []) {
            return;
        }
        $labelled = [];
        $before = 0;
        foreach (StoredColumns::chunks($classes, $dataset->revision) as $chunk) {
            foreach (Presence::of($chunk) as $row => $isThere) {
                if ($isThere) {
                    $labelled[$before + $row + 1] = true;
                }
            }
            $before += $chunk->rows;
        }
        $rows = array_values(array_filter($leftOut, static fn(int $row): bool => isset($labelled[$row])));
        if ($rows !== []) {
            throw NotUnderstood::countsUnusable($counts->name, $rows);
        }
    }

    private function byGroup(Dataset $dataset, Variable $variable, Question $question): FrequencyTable
    {
        $rowGrouping = StoredGrouping::of($dataset, $question, $this->tallies);
        return $this->tallies->labels($variable, $rowGrouping, $dataset->revision)->columns([0, ...array_map(static fn(int $group): int => $group + 1, $rowGrouping->shownGroups($question->showsNoEntry))]);
    }
}
