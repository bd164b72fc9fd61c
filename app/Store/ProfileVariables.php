<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use Brick\Math\BigDecimal;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Figures\PercentileRank;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Figures\Working;
use RowTally\Core\Frequency\FrequencyKind;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Frequency\NumberFrequencies;
use RowTally\Core\Grouped\ClassCost;
use RowTally\Core\Match\Explanation;
use RowTally\Core\Match\FindFigure;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Profile\NumberProfile;

/** Answers questions about a dataset: asks the store for tallies and the core for figures and plots. */
final readonly class ProfileVariables
{
    private const UNREAD_SHOWN = 20;
    /** So many variables are tried as counts that may have been forgotten. */
    private const OTHER_COUNTS = 5;
    /** Figures that look at every value. */
    private const OF_SHAPE = ['skewness', 'skewness_ratio', 'kurtosis', 'kurtosis_ratio'];
    private const OF_NORMALITY = ['anderson_darling_a2', 'anderson_darling_p'];

    public function __construct(private Tallies $tallies) {}

    /** The sheets of the variables asked for. */
    public function answer(Dataset $dataset, Question $question): ProfileAnswer
    {
        return $this->answered($dataset, $question, fn(Variable $variable, StoredGrouping $rowGrouping): VariableSheet => $this->sheet($dataset, $variable, $rowGrouping, $question));
    }

    /** A line for each variable, or for those asked for: figures without plots. */
    public function overview(Dataset $dataset, Question $question): ProfileAnswer
    {
        $question = $question->of === [] ? $question->about(array_values($dataset->variables->map(static fn(Variable $variable): string => $variable->key)->all())) : $question;

        return $this->answered($dataset, $question, fn(Variable $variable, StoredGrouping $rowGrouping): VariableSheet => $this->line($dataset, $variable, $rowGrouping, $question));
    }

    /** @param int $column 0 = overall, then the groups as they are shown */
    public function working(Dataset $dataset, Question $question, Statistic $statistic, int $column): Working
    {
        [$variable, $observations] = $this->column($dataset, $question, $column);

        return Working::of($statistic, $observations, $question->basis, self::display($variable, $observations, $question));
    }

    /** @return array{read: string|null, matches: list<array{explanation: Explanation, text: string|null}>, nearest: list<array{explanation: Explanation, text: string|null}>} */
    public function matches(Dataset $dataset, Question $question, string $stated, int $column): array
    {
        [$variable, $observations] = $this->column($dataset, $question, $column);
        $found = FindFigure::ofText($stated, $observations, $question->basis, $column === 0 ? $this->underOtherCounts($dataset, $question, $variable) : []);
        $text = static fn(Explanation $explanation): array => [
            'explanation' => $explanation,
            'text' => self::display($variable, $explanation->observations, $question)->of($explanation->statistic, $explanation->statistic->of($explanation->observations, $explanation->basis)),
        ];

        return ['read' => $found['read'], 'matches' => array_map($text, $found['matches']), 'nearest' => array_map($text, $found['nearest'])];
    }

    /** @return array{standing: PercentileRank, observations: Observations, variable: Variable} where a value stands */
    public function standing(Dataset $dataset, Question $question, BigDecimal $value, int $column): array
    {
        [$variable, $observations] = $this->column($dataset, $question, $column);

        return ['standing' => PercentileRank::of($value, $observations, $question->basis), 'observations' => $observations, 'variable' => $variable];
    }

    /** @param callable(Variable, StoredGrouping): VariableSheet $of */
    private function answered(Dataset $dataset, Question $question, callable $of): ProfileAnswer
    {
        $rowGrouping = StoredGrouping::of($dataset, $question, $this->tallies);
        $variables = $dataset->variables->keyBy('key');
        $asked = array_map(static fn(string $key): Variable => $variables->get($key) ?? throw UnknownVariable::named($key), $question->of);

        return new ProfileAnswer(
            $dataset,
            $question,
            $rowGrouping->rows,
            array_map(static fn(int $group): array => $rowGrouping->labels[$group], $rowGrouping->shownGroups($question->showsNoEntry)),
            array_map(static function (Variable $variable, int $i) use ($of, $rowGrouping, $asked): VariableSheet {
                Underway::part(count($asked) === 1 ? 'Counting the values' : 'Counting one variable after the other', $i, count($asked));

                return $of($variable, $rowGrouping);
            }, $asked, array_keys($asked)),
            $rowGrouping->counts === null ? [] : $this->tallies->rowsLeftOut($rowGrouping->counts, $dataset->revision),
        );
    }

    private function sheet(Dataset $dataset, Variable $variable, StoredGrouping $rowGrouping, Question $question): VariableSheet
    {
        if ($variable->type !== VariableType::Number) {
            $line = $this->line($dataset, $variable, $rowGrouping, $question);

            return new VariableSheet($variable, frequencies: $question->byCount ? $line->frequencies?->byCount() : $line->frequencies, dates: $line->dates);
        }
        $columns = $this->columns($dataset, $variable, $rowGrouping, $question);
        $profile = NumberProfile::of($columns[0], array_slice($columns, 1), $question->basis, $question->statistics, $question->stack);
        $frequencies = NumberFrequencies::of($columns, $profile->bars, $question->distinct);

        return new VariableSheet(
            $variable,
            $profile->rows,
            $profile->bars,
            $question->byCount ? $frequencies->byCount() : $frequencies,
            $variable->unread === 0 ? [] : UnreadCells::of($variable, $dataset->revision, self::UNREAD_SHOWN),
            $columns[0]->countDecimals,
            classCosts: $frequencies->kind === FrequencyKind::Classes && $profile->bars !== null
                ? ClassCost::of($columns[0], $profile->bars->histograms[0], $question->basis->takenAs)
                : null,
        );
    }

    private function line(Dataset $dataset, Variable $variable, StoredGrouping $rowGrouping, Question $question): VariableSheet
    {
        if ($variable->type === VariableType::Number) {
            $columns = $this->columns($dataset, $variable, $rowGrouping, $question);

            return new VariableSheet(
                $variable,
                NumberProfile::rows($columns[0], array_slice($columns, 1), $question->basis, $question->statistics),
                countDecimals: $columns[0]->countDecimals,
            );
        }

        return new VariableSheet(
            $variable,
            frequencies: $variable->type === VariableType::Category ? $this->frequencies($dataset, $variable, $rowGrouping, $question) : null,
            dates: $variable->type === VariableType::Date ? $this->tallies->dates($variable, $rowGrouping, $dataset->revision) : null,
        );
    }

    private function frequencies(Dataset $dataset, Variable $variable, StoredGrouping $rowGrouping, Question $question): FrequencyTable
    {
        return $this->tallies->labels($variable, $rowGrouping, $dataset->revision)->columns([0, ...array_map(static fn(int $group): int => $group + 1, $rowGrouping->shownGroups($question->showsNoEntry))]);
    }

    /** @return non-empty-list<Observations> overall, then the groups that are shown */
    private function columns(Dataset $dataset, Variable $variable, StoredGrouping $rowGrouping, Question $question): array
    {
        $all = $this->tallies->numbers($variable, $rowGrouping, $dataset->revision);
        $asked = array_map(static fn(Statistic $statistic): string => $statistic->key(), $question->statistics);
        if (array_intersect($asked, self::OF_NORMALITY) !== []) {
            Facts::know($variable, $rowGrouping, $all);
        } elseif (array_intersect($asked, self::OF_SHAPE) !== []) {
            Facts::knowShapes($variable, $rowGrouping, $all);
        }

        return [$all[0], ...array_map(static fn(int $group): Observations => $all[$group + 1], $rowGrouping->shownGroups($question->showsNoEntry))];
    }

    /** @return array{Variable, Observations} the one variable asked for, overall or in one group */
    private function column(Dataset $dataset, Question $question, int $column): array
    {
        $key = $question->of[0] ?? '';
        $variable = $dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key);
        if ($variable->type !== VariableType::Number) {
            throw UnknownVariable::hasNoFigures($variable->name);
        }
        $columns = $this->columns($dataset, $variable, StoredGrouping::of($dataset, $question, $this->tallies), $question);

        return [$variable, $columns[$column] ?? throw UnknownVariable::noGroup($column)];
    }

    /**
     * The same rows with the counts in force forgotten, or under variables that could be counts.
     *
     * @return array<string, Observations>
     */
    private function underOtherCounts(Dataset $dataset, Question $question, Variable $variable): array
    {
        $without = static fn(?string $counts): Question => new Question($question->of, [], $question->basis, [], $counts);
        $whole = fn(?string $counts): Observations => $this->tallies->numbers($variable, StoredGrouping::of($dataset, $without($counts), $this->tallies), $dataset->revision)[0];
        if ($question->counts !== null) {
            return ['counts forgotten' => $whole(null)];
        }
        $found = [];
        foreach ($dataset->variables as $other) {
            if (count($found) < self::OTHER_COUNTS && $other->id !== $variable->id && $other->type === VariableType::Number && $other->decimals !== null) {
                $own = $this->tallies->whole($other, $dataset->revision);
                if ($own->n() > 0 && !$own->values->at(1)->isNegative() && $own->missing === 0) {
                    $found["{$other->name} used as counts"] = $whole($other->key);
                }
            }
        }

        return $found;
    }

    private static function display(Variable $variable, Observations $observations, Question $question): FigureText
    {
        return new FigureText($question->basis, $variable->shown_decimals ?? $variable->decimals, $observations->countDecimals);
    }
}
