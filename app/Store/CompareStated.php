<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Match\Comparison;
use RowTally\Core\Match\Stated;
use RowTally\Core\Parsing\VariableType;

/** A figure of a number, or of a category's classes, beside one that was stated. */
final readonly class CompareStated
{
    public function __construct(private ProfileVariables $profile, private GroupedVariable $grouped) {}

    /**
     * @param list<string> $countColumns
     *
     * @return array{comparison: Comparison|null, sentence: string}
     */
    public function answer(Dataset $dataset, Question $question, Statistic $statistic, Stated $stated, string $tolerance, ClassReading $reading, array $countColumns, int $column): array
    {
        $variable = $dataset->variables->firstWhere('key', $question->of[0] ?? '') ?? throw UnknownVariable::named($question->of[0] ?? '');
        [$figure, $text] = [null, null];
        if ($variable->type === VariableType::Category) {
            $profile = $this->grouped->profile($dataset, $question, $reading, $countColumns);
            foreach ($profile->figures($question->basis) as $row) {
                if ($row['key'] === $statistic->key()) {
                    $figure = $row['figures'][$column] ?? throw UnknownVariable::noGroup($column);
                    $text = $profile->text($figure, $row['shownAs'], $question->basis);
                }
            }
            $figure ?? throw NotUnderstood::unknownFigure($statistic->key());
        } else {
            $working = $this->profile->working($dataset, $question, $statistic, $column);
            [$figure, $text] = [$working->figure, $working->text];
        }
        $number = $figure->number();
        if ($number === null || $text === null) {
            return ['comparison' => null, 'sentence' => "{$statistic->label()}: " . ($figure->reason->value ?? 'more than one value')];
        }
        $comparison = Comparison::of((float) $number, $stated, $tolerance);

        return ['comparison' => $comparison, 'sentence' => $comparison->sentence($text, $variable->unit)];
    }
}
