<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use RowTally\Core\Columns\VariableType;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Grouped\StatedLimits;

/** Figures of a category whose labels are classes, under the counts of the basis. */
final readonly class GroupedVariable
{
    public function __construct(private Tallies $tallies) {}

    public function profile(Dataset $dataset, Question $question, ?StatedLimits $limits): GroupedProfile
    {
        $key = $question->of[0] ?? '';
        $variable = $dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key);
        if ($variable->type !== VariableType::Category) {
            throw UnknownVariable::hasNoClasses($variable->name);
        }
        $slice = Slice::of($dataset, $question, $this->tallies);
        $all = $this->tallies->labels($variable, $slice, $dataset->revision);
        $shown = [0, ...array_map(static fn(int $group): int => $group + 1, $slice->shownGroups($question->showsNoEntry))];

        return GroupedProfile::of(new FrequencyTable(
            $all->kind,
            $all->labels,
            array_map(static fn(int $column): array => $all->counts[$column], $shown),
            array_map(static fn(int $column): int => $all->missing[$column], $shown),
            $all->countDecimals,
        ), $limits);
    }
}
