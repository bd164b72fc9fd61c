<?php

declare(strict_types=1);

namespace App\Report;

use App\Models\Dataset;
use App\Store\ProfileVariables;
use App\Store\Question;
use App\Store\UnknownVariable;
use App\Store\VariableSheet;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Profile\RowGrouping;
use RowTally\Core\Values\Figure;

/** The table of figures of one variable as it is kept: rounded as the basis says, overall and by group. */
final readonly class KeptFigures
{
    public function __construct(private ProfileVariables $profile) {}

    /**
     * @return list<list<string>> its first row the head
     *
     * @throws UnknownVariable
     */
    public function cells(Dataset $dataset, Question $question): array
    {
        $answer = $this->profile->overview($dataset, $question);
        $sheet = $answer->sheets[0] ?? null;
        if (!$sheet instanceof VariableSheet || $sheet->variable->type !== VariableType::Number) {
            throw UnknownVariable::hasNoFigures($sheet->variable->name ?? '');
        }
        $display = new FigureText($question->basis, $sheet->variable->shown_decimals ?? $sheet->variable->decimals, $sheet->countDecimals);
        $cells = [[$sheet->variable->nameWithUnit(), 'Overall', ...array_map(RowGrouping::name(...), $answer->groups)]];
        foreach ($sheet->rows as ['statistic' => $statistic, 'figures' => $figures]) {
            $symbol = $statistic->symbol($question->basis->takenAs);
            $cells[] = [
                $symbol === '' ? $statistic->label() : "{$statistic->label()} {$symbol}",
                ...array_map(static fn(Figure $figure): string => $display->of($statistic, $figure) ?? (string) $figure->reason?->value, $figures),
            ];
        }

        return $cells;
    }
}
