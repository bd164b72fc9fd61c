<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use RowTally\Core\Columns\VariableType;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Grouped\GroupedProfile;

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

    private function byGroup(Dataset $dataset, Variable $variable, Question $question): FrequencyTable
    {
        $slice = Slice::of($dataset, $question, $this->tallies);
        return $this->tallies->labels($variable, $slice, $dataset->revision)->columns([0, ...array_map(static fn(int $group): int => $group + 1, $slice->shownGroups($question->showsNoEntry))]);
    }
}
