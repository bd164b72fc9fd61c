<?php

declare(strict_types=1);

namespace App\Console;

use App\Intake\ReadVariable;
use Brick\Math\BigDecimal;
use RowTally\Core\Columns\TallyUnderCounts;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Figures\ShownAs;
use RowTally\Core\Figures\Working;
use RowTally\Core\Grouped\ClassCost;
use RowTally\Core\Match\Explanation;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Profile\NumberProfile;
use RowTally\Core\Profile\RowGrouping;
use RowTally\Core\Readings\Reading;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;

/** What the command line answers as tables in words. */
final readonly class ProfileTables
{
    public function __construct(private FileAnswers $answers) {}

    /** @return array<string, array{head: list<string>, rows: list<list<string>>}> by title */
    public function tables(): array
    {
        $tables = [];
        foreach ($this->answers->variables as $variable) {
            $title = $variable->unit === null ? $variable->name : "{$variable->name} ({$variable->unit})";
            $columns = array_map(RowGrouping::name(...), $this->answers->slicing->labels);
            if ($variable->type !== VariableType::Number) {
                $tables[$title] = ['head' => ['', 'Overall', ...$columns], 'rows' => $this->labelRows($variable)];
                continue;
            }
            $observations = $this->answers->observations($variable);
            $display = $this->answers->display($variable, $observations[0]);
            $rows = $areInUnit = [];
            $statistics = Catalogue::chosen([...$this->answers->question->figures, ...array_map(Catalogue::percentileKey(...), $this->answers->question->percentiles)]);
            foreach (NumberProfile::rows($observations[0], array_slice($observations, 1), $this->answers->question->basis, $statistics) as ['statistic' => $statistic, 'figures' => $figures]) {
                $areInUnit[] = $statistic->shownAs() === ShownAs::Unit || $statistic->shownAs() === ShownAs::Rows || $statistic->shownAs() === ShownAs::Values;
                $rows[] = [
                    trim($statistic->label() . '  ' . $statistic->symbol($this->answers->question->basis->takenAs)),
                    ...array_map(static fn(Figure $figure): string => $display->of($statistic, $figure) ?? (string) $figure->reason?->value, $figures),
                ];
            }
            $tables[$title] = ['head' => ['', 'Overall', ...$columns], 'rows' => self::aligned($rows, $areInUnit)];
            if ($this->answers->question->tallies && $observations[0]->n() > 0) {
                $tables = [...$tables, ...$this->tallied($title, $observations, $columns, $display)];
            }
        }

        return $tables;
    }

    /**
     * Points below one another: what others of the unit have behind theirs is left blank.
     *
     * @param list<list<string>> $rows
     * @param list<bool>         $areInUnit by row
     *
     * @return list<list<string>>
     */
    private static function aligned(array $rows, array $areInUnit): array
    {
        $behind = static fn(string $text): int => str_contains($text, '.') ? strlen($text) - (int) strpos($text, '.') : 0;
        $isPlain = static fn(string $text): bool => preg_match('/^[−\d][\d]*(?:\.\d+)?$/u', $text) === 1;
        $most = 0;
        foreach ($rows as $i => $row) {
            foreach ($areInUnit[$i] ? array_slice($row, 1) : [] as $text) {
                $most = max($most, $isPlain($text) ? $behind($text) : 0);
            }
        }

        return array_map(static fn(array $row, bool $isInUnit): array => $isInUnit
            ? array_map(static fn(string $text): string => $isPlain($text) ? $text . str_repeat(' ', $most - $behind($text)) : $text, $row)
            : $row, $rows, $areInUnit);
    }

    /**
     * A number in classes, and what those alone would give.
     *
     * @param non-empty-list<Observations> $observations
     * @param list<string>                 $groups
     *
     * @return array<string, array{head: list<string>, rows: list<list<string>>}>
     */
    private function tallied(string $title, array $observations, array $groups, FigureText $display): array
    {
        $histograms = $this->answers->histograms($observations);
        $count = static fn(int $count): string => Exact::plainDecimal(BigDecimal::ofUnscaledValue($count, $observations[0]->countDecimals));
        $labels = $histograms[0]->classes->labels($histograms[0]->closed);

        return [
            "{$title}, in classes" => ['head' => ['', 'Overall', ...$groups], 'rows' => array_map(static fn(int $i, string $label): array => [
                $label,
                ...array_map(static fn(Histogram $histogram): string => $count($histogram->counts[$i]), $histograms),
            ], array_keys($labels), $labels)],
            "{$title}, what the classes alone would give" => ['head' => ['', 'From the rows', 'From the classes', 'Difference'], 'rows' => array_map(static fn(ClassCost $cost): array => [
                $cost->label,
                ...array_map($display->inUnit(...), [$cost->fromRows->number() ?? 0.0, $cost->fromClasses->number() ?? 0.0, $cost->difference()]),
            ], ClassCost::of($observations[0], $histograms[0], $this->answers->question->basis->takenAs) ?? [])],
        ];
    }

    /** The basis in one sentence, and rows that it leaves out. */
    public function basis(): string
    {
        $counts = $this->answers->question->basis->counts;
        $leftOut = $counts === null ? [] : TallyUnderCounts::rowsLeftOut($this->answers->columns->number($counts));

        return $this->answers->question->basis->words()
            . ($leftOut === [] ? '' : ' Left out, because their count is missing, no number or negative: row ' . implode(', ', array_slice($leftOut, 0, 10)) . (count($leftOut) > 10 ? ' …' : '') . '.');
    }

    /** @return list<string> what was asked beside the tables: workings and matches, in plain words */
    public function texts(): array
    {
        $texts = [];
        foreach ($this->answers->variables as $variable) {
            if ($variable->type !== VariableType::Number) {
                continue;
            }
            $overall = $this->answers->observations($variable)[0];
            if ($this->answers->question->working !== null) {
                $statistic = Catalogue::chosen([$this->answers->question->working])[0];
                $texts[] = Working::of($statistic, $overall, $this->answers->question->basis, $this->answers->display($variable, $overall))->plainText("{$variable->name}, {$statistic->label()}");
            }
            if ($this->answers->question->match !== null) {
                $texts[] = $this->matchText($variable, $overall, $this->answers->question->match);
            }
        }

        return $texts;
    }

    private function matchText(ReadVariable $variable, Observations $overall, string $stated): string
    {
        ['read' => $read, 'matches' => $matches, 'nearest' => $nearest] = $this->answers->found($variable, $overall, $stated);
        $name = $variable->name . ($read === null ? '' : " ({$read})");
        $line = static fn(Explanation $explanation): string => '  ' . $explanation->statistic->label() . ' = ' . Exact::plainText($explanation->value)
            . ($explanation->differences === [] ? ', as on this basis' : ', ' . implode(', ', $explanation->differences));

        return $matches === []
            ? "{$name}: nothing rounds to {$stated}; the nearest are\n" . implode("\n", array_map($line, $nearest)) . "\n"
            : "{$name}: these round to {$stated}\n" . implode("\n", array_map($line, $matches)) . "\n";
    }

    /** @return list<list<string>> */
    private function labelRows(ReadVariable $variable): array
    {
        if ($variable->type !== VariableType::Category) {
            return [['missing', (string) $variable->missing]];
        }
        $table = $this->answers->frequencies($variable);
        $text = static fn(int $count): string => Exact::plainDecimal(BigDecimal::ofUnscaledValue($count, $table->countDecimals));
        $rows = [['missing', ...array_map($text, $table->missing)]];
        foreach ($table->labels as $row => $label) {
            $rows[] = [$label, ...array_map(static fn(array $column): string => $text($column[$row]), $table->counts)];
        }

        return $rows;
    }

    /** @return list<string> what each variable says, a paragraph each */
    public function readingTexts(): array
    {
        $rows = $this->answers->question->readings;
        if ($rows === null) {
            return [];
        }
        $texts = [];
        foreach ($this->answers->variables as $variable) {
            $lines = array_map(static fn(Reading $reading): string => '  ' . ($reading->column === null ? '' : "{$reading->column}: ") . $reading->sentence, $this->answers->readings($variable, $rows));
            $texts[] = "{$variable->name}, what it says" . ($lines === [] ? ": nothing.\n" : "\n" . implode("\n", $lines) . "\n");
        }

        return $texts;
    }
}
