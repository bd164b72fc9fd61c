<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use Brick\Math\BigRational;
use RowTally\Core\Columns\VariableType;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Plots\AlignedStack;
use RowTally\Core\Plots\Bars;
use RowTally\Core\Plots\Crosshair;
use RowTally\Core\Plots\DotPlot;
use RowTally\Core\Plots\NormalQq;
use RowTally\Core\Plots\OrderedStrip;
use RowTally\Core\Plots\Slopes;
use RowTally\Core\Plots\StemLeaf;
use RowTally\Core\Plots\StepPlot;
use RowTally\Core\Profile\Slicing;
use RowTally\Core\Values\Observations;

/** Pictures of one number variable beside its stack, overall and by group, and what lies in a range of it. */
final readonly class DrawVariable
{
    public function __construct(private Tallies $tallies) {}

    public function stack(Dataset $dataset, Question $question): ?AlignedStack
    {
        $columns = $this->columns($dataset, $question);

        return AlignedStack::of($columns[0], array_slice($columns, 1), $question->basis, $question->stack);
    }

    public function dots(Dataset $dataset, Question $question): DotPlot
    {
        return DotPlot::of($this->columns($dataset, $question));
    }

    public function bars(Dataset $dataset, Question $question): ?Bars
    {
        $columns = $this->columns($dataset, $question);

        return Bars::of($columns[0], array_slice($columns, 1), $question->basis, $question->stack);
    }

    /** @return non-empty-list<int> powers of ten that the leaf unit can be */
    public function leafUnits(Dataset $dataset, Question $question): array
    {
        return StemLeaf::exponents($this->columns($dataset, $question)[0]);
    }

    public function crosshair(Dataset $dataset, Question $question): ?Crosshair
    {
        return Crosshair::of($this->columns($dataset, $question)[0], $question->basis, $question->stack);
    }

    /**
     * @param 1|2|5 $lines
     *
     * @return non-empty-list<StemLeaf> overall, then the groups that are shown, all in the leaf unit of the overall one
     *
     * @throws NotUnderstood where such a leaf unit shows nothing
     */
    public function stems(Dataset $dataset, Question $question, ?int $unit, int $lines, bool $apart): array
    {
        $columns = $this->columns($dataset, $question);
        $overall = StemLeaf::of($columns[0], $question->basis, $unit, $lines, $apart);

        return [$overall, ...array_map(static fn(Observations $group): StemLeaf => $overall->ofGroup($group, $question->basis, $apart), array_slice($columns, 1))];
    }

    /** @return list<NormalQq> */
    public function qq(Dataset $dataset, Question $question): array
    {
        return array_map(static fn(Observations $group): NormalQq => NormalQq::of($group, $question->basis), $this->columns($dataset, $question));
    }

    /** @return non-empty-list<OrderedStrip> */
    public function strips(Dataset $dataset, Question $question): array
    {
        return array_map(static fn(Observations $group): OrderedStrip => OrderedStrip::of($group, $question->basis), $this->columns($dataset, $question));
    }

    public function steps(Dataset $dataset, Question $question): StepPlot
    {
        return StepPlot::of($this->columns($dataset, $question));
    }

    /** @return array{before: Variable, after: Variable, slopes: Slopes} the rows as lines from one variable to another */
    public function slopes(Dataset $dataset, Question $question, string $with): array
    {
        [$before, $after] = [$this->variable($dataset, $question), $this->variable($dataset, $question->about([$with]))];

        return ['before' => $before, 'after' => $after, 'slopes' => Slopes::of(new StoredTable($dataset, $this->tallies), $before->name, $after->name, $question->basis)];
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

    /** @return list<string> what the columns are called: overall, then the groups that are shown */
    public function names(Dataset $dataset, Question $question): array
    {
        $slice = Slice::of($dataset, $question, $this->tallies);

        return ['Overall', ...array_map(static fn(int $group): string => Slicing::name($slice->labels[$group]), $slice->shownGroups($question->showsNoEntry))];
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
        $slice = Slice::of($dataset, $question, $this->tallies);
        $all = $this->tallies->numbers($this->variable($dataset, $question), $slice, $dataset->revision);

        return [$all[0], ...array_map(static fn(int $group): Observations => $all[$group + 1], $slice->shownGroups($question->showsNoEntry))];
    }
}
