<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use RowTally\Core\Columns\VariableType;
use RowTally\Core\Profile\NumberProfile;

/** Answers a question about a dataset: asks the store for tallies and the core for figures and plots. */
final readonly class ProfileVariables
{
    private const UNREAD_SHOWN = 20;

    public function __construct(private Tallies $tallies) {}

    public function answer(Dataset $dataset, Question $question): ProfileAnswer
    {
        $variables = $dataset->variables->keyBy('key');
        $by = $question->by === null ? null : $variables->get($question->by) ?? throw UnknownVariable::named($question->by);
        if ($by !== null && $by->type !== VariableType::Category) {
            throw UnknownVariable::makesNoGroups($by->name);
        }
        $sheets = [];
        foreach ($question->of as $key) {
            $sheets[] = $this->sheet($dataset, $variables->get($key) ?? throw UnknownVariable::named($key), $by, $question);
        }

        return new ProfileAnswer($dataset, $question, $this->groups($by), $sheets);
    }

    private function sheet(Dataset $dataset, Variable $variable, ?Variable $by, Question $question): VariableSheet
    {
        if ($variable->type !== VariableType::Number) {
            return new VariableSheet($variable, null, []);
        }
        $overall = $this->tallies->whole($variable, $dataset->revision);
        $groups = [];
        if ($by !== null) {
            $groups = $this->tallies->observations($variable, $by, $dataset->revision);
            // Rows without a label come last, and only where there are any.
            $unlabelled = array_shift($groups);
            if ($by->missing > 0 && $unlabelled !== null) {
                $groups[] = $unlabelled;
            }
        }

        return new VariableSheet(
            $variable,
            NumberProfile::of($overall, $groups, $question->basis),
            $variable->unread === 0 ? [] : $this->firstUnread($variable, $dataset->revision),
        );
    }

    /** @return list<array{row: int, text: string}> */
    private function firstUnread(Variable $variable, int $revision): array
    {
        return UnreadCells::of($variable, $revision, self::UNREAD_SHOWN);
    }

    /** @return list<string|null> */
    private function groups(?Variable $by): array
    {
        if ($by === null) {
            return [];
        }

        return $by->missing > 0 ? [...$by->dictionary, null] : $by->dictionary;
    }
}
