<?php

declare(strict_types=1);

namespace App\Console;

use App\Intake\ReadVariable;
use Brick\Math\BigDecimal;
use RowTally\Core\Basis\MissingRows;
use RowTally\Core\Columns\Grouping;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Columns\TallyUnderCounts;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Figures\ShareWithinDeviations;
use RowTally\Core\Figures\ShownAs;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Figures\Working;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Frequency\LabelFrequencies;
use RowTally\Core\Frequency\NumberFrequencies;
use RowTally\Core\Grouped\ClassCost;
use RowTally\Core\Match\Explanation;
use RowTally\Core\Match\FindFigure;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Observations\Outliers;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Profile\NumberProfile;
use RowTally\Core\Profile\RowGrouping;
use RowTally\Core\Readings\Reading;
use RowTally\Core\Readings\RowWord;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\OrderedValues;
use stdClass;

/** What the command line answers: as one JSON document, or as tables in words. */
final readonly class ProfileDocument
{
    /** How the figures of tests stand in JSON, by the beginning of their keys. */
    /** So many outliers are written out one by one. */
    private const OUTLIERS_REPEATED = 10_000;
    /** So many other variables are tried as counts of a figure that was given. */
    private const OTHER_COUNTS = 5;
    private const TESTS = ['shapiro_wilk' => 'w', 'lilliefors' => 'd', 'anderson_darling' => 'a2'];

    /** @param list<ReadVariable> $variables */
    private function __construct(
        private FileColumns $columns,
        private FileQuestion $question,
        private array $variables,
        private RowGrouping $slicing,
    ) {}

    /** @throws UnusableRequest */
    public static function of(FileColumns $columns, FileQuestion $question): self
    {
        $variables = $question->names === []
            ? array_values(array_filter($columns->variables(), static fn(ReadVariable $variable): bool => $variable->type === VariableType::Number && $variable->name !== $question->basis->counts))
            : array_map($columns->variable(...), $question->names);
        $counts = $question->basis->counts;
        if ($counts !== null) {
            $columns->number($counts);
        }
        $complete = $question->basis->missingRows === MissingRows::PerVariable ? [] : [
            ...array_map(static fn(ReadVariable $variable): string => $variable->name, $variables),
            ...$question->by,
            ...($counts === null ? [] : [$counts]),
        ];

        return new self($columns, $question, $variables, RowGrouping::of($columns, $question->by, $complete, $question->basis));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $counts = $this->question->basis->counts;

        return [
            'basis' => $this->question->basis->toArray(),
            'rows' => $this->columns->rowCount(),
            'rows_in' => $this->slicing->rows,
            ...($counts === null ? [] : ['rows_left_out' => TallyUnderCounts::rowsLeftOut($this->columns->number($counts))]),
            'variables' => array_map(fn(ReadVariable $variable): array => [
                'variable' => $variable->name,
                'type' => $variable->type->value,
                'unit' => $variable->unit,
                ...($variable->type === VariableType::Number ? $this->ofNumbers($variable) : $this->ofLabels($variable)),
            ], $this->variables),
        ];
    }

    /** @return array<string, array{head: list<string>, rows: list<list<string>>}> by title */
    public function tables(): array
    {
        $tables = [];
        foreach ($this->variables as $variable) {
            $title = $variable->unit === null ? $variable->name : "{$variable->name} ({$variable->unit})";
            $columns = array_map(RowGrouping::name(...), $this->slicing->labels);
            if ($variable->type !== VariableType::Number) {
                $tables[$title] = ['head' => ['', 'Overall', ...$columns], 'rows' => $this->labelRows($variable)];
                continue;
            }
            $observations = $this->observations($variable);
            $display = $this->display($variable, $observations[0]);
            $rows = $areInUnit = [];
            $statistics = Catalogue::chosen([...$this->question->figures, ...array_map(Catalogue::percentileKey(...), $this->question->percentiles)]);
            foreach (NumberProfile::rows($observations[0], array_slice($observations, 1), $this->question->basis, $statistics) as ['statistic' => $statistic, 'figures' => $figures]) {
                $areInUnit[] = $statistic->shownAs() === ShownAs::Unit || $statistic->shownAs() === ShownAs::Rows || $statistic->shownAs() === ShownAs::Values;
                $rows[] = [
                    trim($statistic->label() . '  ' . $statistic->symbol($this->question->basis->takenAs)),
                    ...array_map(static fn(Figure $figure): string => $display->of($statistic, $figure) ?? (string) $figure->reason?->value, $figures),
                ];
            }
            $tables[$title] = ['head' => ['', 'Overall', ...$columns], 'rows' => self::aligned($rows, $areInUnit)];
            if ($this->question->tallies && $observations[0]->n() > 0) {
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
     * @param non-empty-list<Observations> $observations
     *
     * @return list<Histogram> over the same classes
     */
    private function histograms(array $observations): array
    {
        return Histogram::each(
            array_map(static fn(Observations $group): OrderedValues => $group->values, $observations),
            $this->question->classes->classes($observations[0], $this->question->basis->classEdge),
            $this->question->basis->classEdge,
        );
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
        $histograms = $this->histograms($observations);
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
            ], ClassCost::of($observations[0], $histograms[0], $this->question->basis->takenAs) ?? [])],
        ];
    }

    /** The basis in one sentence, and rows that it leaves out. */
    public function basis(): string
    {
        $counts = $this->question->basis->counts;
        $leftOut = $counts === null ? [] : TallyUnderCounts::rowsLeftOut($this->columns->number($counts));

        return $this->question->basis->words()
            . ($leftOut === [] ? '' : ' Left out, because their count is missing, no number or negative: row ' . implode(', ', array_slice($leftOut, 0, 10)) . (count($leftOut) > 10 ? ' …' : '') . '.');
    }

    /** @return list<string> what was asked beside the tables: workings and matches, in plain words */
    public function texts(): array
    {
        $texts = [];
        foreach ($this->variables as $variable) {
            if ($variable->type !== VariableType::Number) {
                continue;
            }
            $overall = $this->observations($variable)[0];
            if ($this->question->working !== null) {
                $statistic = Catalogue::chosen([$this->question->working])[0];
                $texts[] = Working::of($statistic, $overall, $this->question->basis, $this->display($variable, $overall))->plainText("{$variable->name}, {$statistic->label()}");
            }
            if ($this->question->match !== null) {
                $texts[] = $this->matchText($variable, $overall, $this->question->match);
            }
        }

        return $texts;
    }

    private function matchText(ReadVariable $variable, Observations $overall, string $stated): string
    {
        ['read' => $read, 'matches' => $matches, 'nearest' => $nearest] = $this->found($variable, $overall, $stated);
        $name = $variable->name . ($read === null ? '' : " ({$read})");
        $line = static fn(Explanation $explanation): string => '  ' . $explanation->statistic->label() . ' = ' . Exact::plainText($explanation->value)
            . ($explanation->differences === [] ? ', as on this basis' : ', ' . implode(', ', $explanation->differences));

        return $matches === []
            ? "{$name}: nothing rounds to {$stated}; the nearest are\n" . implode("\n", array_map($line, $nearest)) . "\n"
            : "{$name}: these round to {$stated}\n" . implode("\n", array_map($line, $matches)) . "\n";
    }

    private function display(ReadVariable $variable, Observations $overall): FigureText
    {
        return new FigureText($this->question->basis, $variable->decimals, $overall->countDecimals);
    }

    /** @return non-empty-list<Observations> overall, then each group */
    private function observations(ReadVariable $variable): array
    {
        $column = $this->columns->number($variable->name);
        $counts = $this->question->basis->counts;
        $of = fn(Grouping $grouping): array => $counts === null
            ? TallyColumn::byGroup($column, $grouping)
            : TallyUnderCounts::byGroup($column, $this->columns->number($counts), $grouping, $counts);

        return [$of($this->slicing->overall)[0], ...($this->question->by === [] ? [] : $of($this->slicing->grouping))];
    }

    private function frequencies(ReadVariable $variable): FrequencyTable
    {
        $counts = $this->question->basis->counts;

        return LabelFrequencies::table(
            $this->columns->chunks($variable->name),
            $variable->dictionary,
            [$this->slicing->overall, ...($this->question->by === [] ? [] : [$this->slicing->grouping])],
            $counts === null ? null : $this->columns->number($counts),
        );
    }

    /** @return list<list<string>> */
    private function labelRows(ReadVariable $variable): array
    {
        if ($variable->type !== VariableType::Category) {
            return [['missing', (string) $variable->missing]];
        }
        $table = $this->frequencies($variable);
        $text = static fn(int $count): string => Exact::plainDecimal(BigDecimal::ofUnscaledValue($count, $table->countDecimals));
        $rows = [['missing', ...array_map($text, $table->missing)]];
        foreach ($table->labels as $row => $label) {
            $rows[] = [$label, ...array_map(static fn(array $column): string => $text($column[$row]), $table->counts)];
        }

        return $rows;
    }

    /** @return array<string, mixed> */
    private function ofLabels(ReadVariable $variable): array
    {
        if ($variable->type !== VariableType::Category) {
            return ['missing' => $variable->missing, 'labels' => [], ...$this->readingsOf($variable)];
        }
        $table = $this->frequencies($variable);
        $count = static fn(int $count): int|float => $table->countDecimals === 0 ? $count : $count / 10 ** $table->countDecimals;

        return [
            'missing' => $count($table->missing[0]),
            'labels' => array_map(static fn(int $row, string $label): array => [
                'label' => $label,
                'count' => $count($table->counts[0][$row]),
                ...(count($table->counts) > 1 ? ['by_group' => array_map(static fn(array $column): int|float => $count($column[$row]), array_slice($table->counts, 1))] : []),
            ], array_keys($table->labels), $table->labels),
            ...$this->readingsOf($variable),
        ];
    }

    /** @return array{readings?: list<array<string, mixed>>} */
    private function readingsOf(ReadVariable $variable): array
    {
        return $this->question->readings === null ? [] : ['readings' => array_map(static fn(Reading $reading): array => [...$reading->toArray(), 'figures' => (object) $reading->figures], $this->readings($variable, $this->question->readings))];
    }

    /** @return list<Reading> */
    private function readings(ReadVariable $variable, RowWord $rows): array
    {
        $says = new FileReadings($this->columns, $this->question->basis, $this->slicing, $rows);
        if ($variable->type !== VariableType::Number) {
            return $variable->type === VariableType::Category ? $says->ofLabels($variable, $this->frequencies($variable), in_array($variable->name, $this->question->by, true)) : [];
        }
        $columns = $this->observations($variable);
        $hasClasses = $columns[0]->canBeDrawn() && $columns[0]->values->hasMoreDistinctThan(NumberFrequencies::FEW);

        return $says->ofNumber($variable, $columns, $hasClasses ? ClassCost::of($columns[0], $this->histograms([$columns[0]])[0], $this->question->basis->takenAs) ?? [] : []);
    }

    /** @return list<string> what each variable says, a paragraph each */
    public function readingTexts(): array
    {
        $rows = $this->question->readings;
        if ($rows === null) {
            return [];
        }
        $texts = [];
        foreach ($this->variables as $variable) {
            $lines = array_map(static fn(Reading $reading): string => '  ' . ($reading->column === null ? '' : "{$reading->column}: ") . $reading->sentence, $this->readings($variable, $rows));
            $texts[] = "{$variable->name}, what it says" . ($lines === [] ? ": nothing.\n" : "\n" . implode("\n", $lines) . "\n");
        }

        return $texts;
    }

    /** @return array<string, mixed> */
    private function ofNumbers(ReadVariable $variable): array
    {
        $observations = $this->observations($variable);
        $groups = [];
        foreach ([[null], ...$this->slicing->labels] as $i => $labels) {
            $groups[] = [
                'group' => $i === 0 || count($labels) === 1 ? $labels[0] : $labels,
                ...($i > 0 && in_array(null, $labels, true) ? ['without_label' => true] : []),
                ...$this->figures($observations[$i]),
            ];
        }
        $overall = $observations[0];
        $histogram = $overall->n() === 0 ? null : $this->histograms([$overall])[0];

        return [
            'groups' => $groups,
            'histogram' => $histogram === null ? null : self::histogram($overall, $histogram),
            ...($histogram === null || !$this->question->tallies ? [] : ['from_classes' => $this->fromClasses($overall, $histogram)]),
            ...($this->question->match === null ? [] : $this->matches($variable, $overall, $this->question->match)),
            ...$this->readingsOf($variable),
        ];
    }

    /** @return array<string, float|null>|null what the classes alone would give; null where they leave values out */
    private function fromClasses(Observations $overall, Histogram $histogram): ?array
    {
        $costs = ClassCost::of($overall, $histogram, $this->question->basis->takenAs);

        return $costs === null ? null : array_map(static fn(ClassCost $cost): ?float => $cost->fromClasses->number(), array_column($costs, null, 'key'));
    }

    /** @return array{figures: array<string, mixed>, undefined: array<string, string>|stdClass} */
    private function figures(Observations $observations): array
    {
        $basis = $this->question->basis;
        $figures = $undefined = $normality = $interval = $within = $percentiles = [];
        $statistics = Catalogue::chosen([
            ...array_map(static fn(Statistic $statistic): string => $statistic->key(), Catalogue::all()),
            ...array_map(Catalogue::percentileKey(...), $this->question->percentiles),
        ]);
        foreach ($statistics as $statistic) {
            $key = $statistic->key();
            $figure = $statistic->of($observations, $basis);
            foreach (self::TESTS as $test => $letter) {
                if (str_starts_with($key, $test)) {
                    $normality[$test][str_ends_with($key, '_p') ? 'p' : $letter] = $figure->value;
                }
            }
            match (true) {
                str_starts_with($key, 'ci_mean_') => $interval[substr($key, 8)] = $figure->value,
                $statistic instanceof ShareWithinDeviations => $within[(string) $statistic->k] = $this->within($statistic, $observations),
                str_starts_with($key, 'percentile_') => $percentiles[substr($key, 11)] = $figure->value,
                preg_match('/_(w|d|a2|p)$/', $key) === 1 => null,
                default => $figures[$key] = $figure->value,
            };
            if ($figure->reason !== null) {
                $undefined[str_starts_with($key, 'ci_mean_') ? 'ci_mean' : $key] = $figure->reason->value;
            }
        }
        $figures['modes'] ??= [];
        $figures['ci_mean'] = ($interval['low'] ?? null) === null ? null : ['level' => (float) $basis->level, ...$interval];
        $figures['within'] = $within;
        $figures['normality'] = $normality;
        $figures = [...$figures, ...$this->outliers($observations)];
        if ($figures['outliers'] === null) {
            $undefined['outliers'] = 'more than ' . number_format(self::OUTLIERS_REPEATED) . ': see outliers_counted';
        }
        $figures['percentiles'] = $percentiles === [] ? new stdClass() : $percentiles;

        return ['figures' => $figures, 'undefined' => $undefined === [] ? new stdClass() : $undefined];
    }

    /** @return array<string, int|float|null>|null */
    private function within(ShareWithinDeviations $within, Observations $observations): ?array
    {
        $bounds = $within->bounds($observations, $this->question->basis);

        return $bounds === null ? null : [
            'low' => Exact::toFloat($bounds['low']),
            'high' => Exact::toFloat($bounds['high']),
            'count' => $observations->hasWholeCounts() ? $bounds['count'] : $bounds['count'] / 10 ** $observations->countDecimals,
            'share' => $within->of($observations, $this->question->basis)->number(),
            'expected_share' => $within->expectedShare(),
        ];
    }

    /** @return array{match: list<array<string, mixed>>, match_read?: string} */
    private function matches(ReadVariable $variable, Observations $overall, string $stated): array
    {
        $found = $this->found($variable, $overall, $stated);

        return [
            'match' => array_map(static fn(Explanation $explanation): array => [
                'figure' => $explanation->statistic->key(),
                'value' => $explanation->value,
                'differences' => $explanation->differences,
            ], $found['matches']),
            ...($found['read'] === null ? [] : ['match_read' => $found['read']]),
        ];
    }

    /** @return array{read: string|null, matches: list<Explanation>, nearest: list<Explanation>} */
    private function found(ReadVariable $variable, Observations $overall, string $stated): array
    {
        return FindFigure::ofText($stated, $overall, $this->question->basis, $this->underOtherCounts($variable));
    }

    /** @return array<string, Observations> with the counts in force forgotten, or under variables that could be counts */
    private function underOtherCounts(ReadVariable $variable): array
    {
        $column = $this->columns->number($variable->name);
        if ($this->question->basis->counts !== null) {
            return ['counts forgotten' => TallyColumn::byGroup($column, $this->slicing->overall)[0]];
        }
        $found = [];
        foreach ($this->columns->variables() as $other) {
            if (count($found) < self::OTHER_COUNTS && $other->name !== $variable->name && $other->type === VariableType::Number && $other->decimals !== null) {
                $own = TallyColumn::whole($this->columns->number($other->name));
                if ($own->n() > 0 && $own->missing === 0 && !$own->values->at(1)->isNegative()) {
                    $found["{$other->name} used as counts"] = TallyUnderCounts::byGroup($column, $this->columns->number($other->name), $this->slicing->overall, $other->name)[0];
                }
            }
        }

        return $found;
    }

    /**
     * Every outlier, as often as it occurs and with that count beside it; only counted where there are very many.
     *
     * @return array{outliers: list<float>|null, outliers_counted: list<array{value: float, count: int|float}>}
     */
    private function outliers(Observations $observations): array
    {
        $marks = Outliers::every($observations, $this->question->basis);
        $isFew = $observations->hasWholeCounts() && array_sum(array_column($marks, 'count')) <= self::OUTLIERS_REPEATED;
        $values = [];
        foreach ($marks as ['value' => $value, 'count' => $count]) {
            array_push($values, ...array_fill(0, $isFew ? $count : 1, (float) (string) $value));
        }

        return [
            'outliers' => $isFew || !$observations->hasWholeCounts() ? $values : null,
            'outliers_counted' => array_map(static fn(array $mark): array => [
                'value' => (float) (string) $mark['value'],
                'count' => $observations->hasWholeCounts() ? $mark['count'] : $mark['count'] / 10 ** $observations->countDecimals,
            ], $marks),
        ];
    }

    /** @return array<string, mixed> */
    private static function histogram(Observations $overall, Histogram $histogram): array
    {
        $classes = $histogram->classes;
        $double = static fn(BigDecimal $number): float => (float) (string) $number;
        $count = static fn(int $count): int|float => $overall->hasWholeCounts() ? $count : $count / 10 ** $overall->countDecimals;

        return [
            'start' => $double($classes->start),
            'width' => $classes->areEqual() ? $double($classes->width) : null,
            ...($classes->areEqual() ? [] : ['edges' => $classes->edges()]),
            'closed' => $histogram->closed->value,
            'counts' => array_map($count, $histogram->counts),
            'below' => $count($histogram->below),
            'above' => $count($histogram->above),
        ];
    }
}
