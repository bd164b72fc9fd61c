<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use Brick\Math\BigRational;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Plots\Crosshair;

/** What is read off the axis of a number variable: by the crosshair, and between two values. */
final readonly class ReadAxis
{
    public function __construct(private Tallies $tallies) {}

    public function crosshair(Dataset $dataset, Question $question): ?Crosshair
    {
        return Crosshair::of($this->columns($dataset, $question)[0], $question->basis, $question->stack);
    }

    /** @return array{variable: Variable, count: int, n: int, countDecimals: int, mean: BigRational|null} what lies from one value to another, both included */
    public function range(Dataset $dataset, Question $question, string $from, string $to, int $column): array
    {
        $columns = $this->columns($dataset, $question);
        $observations = $columns[$column] ?? throw UnknownVariable::noGroup($column);
        $first = $observations->values->countBelow(BigRational::of($from)) + 1;
        $last = $observations->values->countUpTo(BigRational::of($to));
        $count = max(0, $last - $first + 1);

        return [
            'variable' => $this->variable($dataset, $question),
            'count' => $count,
            'n' => $observations->n(),
            'countDecimals' => $observations->countDecimals,
            'mean' => $count === 0 ? null : $observations->values->sumBetween($first, $last)->dividedBy($count),
        ];
    }

    private function variable(Dataset $dataset, Question $question): Variable
    {
        $key = $question->of[0] ?? '';
        $variable = $dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key);

        return $variable->type === VariableType::Number ? $variable : throw UnknownVariable::hasNoFigures($variable->name);
    }

    /** @return non-empty-list<Observations> */
    private function columns(Dataset $dataset, Question $question): array
    {
        $rowGrouping = StoredGrouping::of($dataset, $question, $this->tallies);
        $all = $this->tallies->numbers($this->variable($dataset, $question), $rowGrouping, $dataset->revision);

        return [$all[0], ...array_map(static fn(int $group): Observations => $all[$group + 1], $rowGrouping->shownGroups($question->showsNoEntry))];
    }
}
