<?php

declare(strict_types=1);

namespace App\Console;

use App\Intake\ReadVariable;
use Brick\Math\BigDecimal;
use RowTally\Core\Columns\TallyUnderCounts;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\ShareWithinDeviations;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Grouped\ClassCost;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Match\Explanation;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Observations\Outliers;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Readings\Reading;
use RowTally\Core\Values\Exact;
use stdClass;

/** What the command line answers as one JSON document. */
final readonly class ProfileDocument
{
    /** So many outliers are written out one by one. */
    private const OUTLIERS_REPEATED = 10_000;
    /** How the figures of tests stand in JSON, by the beginning of their keys. */
    private const TESTS = ['shapiro_wilk' => 'w', 'lilliefors' => 'd', 'anderson_darling' => 'a2'];

    public function __construct(private FileAnswers $answers) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $counts = $this->answers->question->basis->counts;

        return [
            'basis' => $this->answers->question->basis->toArray(),
            'rows' => $this->answers->columns->rowCount(),
            'rows_in' => $this->answers->slicing->rows,
            ...($counts === null ? [] : ['rows_left_out' => TallyUnderCounts::rowsLeftOut($this->answers->columns->number($counts))]),
            'variables' => array_map(fn(ReadVariable $variable): array => [
                'variable' => $variable->name,
                'type' => $variable->type->value,
                'unit' => $variable->unit,
                ...($variable->type === VariableType::Number ? $this->ofNumbers($variable) : $this->ofLabels($variable)),
            ], $this->answers->variables),
        ];
    }

    /** @return array<string, mixed> */
    private function ofLabels(ReadVariable $variable): array
    {
        if ($variable->type !== VariableType::Category) {
            return ['missing' => $variable->missing, 'labels' => [], ...$this->readingsOf($variable)];
        }
        $table = $this->answers->frequencies($variable);
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
        return $this->answers->question->readings === null ? [] : ['readings' => array_map(static fn(Reading $reading): array => [...$reading->toArray(), 'figures' => (object) $reading->figures], $this->answers->readings($variable, $this->answers->question->readings))];
    }

    /** @return array<string, mixed> */
    private function ofNumbers(ReadVariable $variable): array
    {
        $observations = $this->answers->observations($variable);
        $groups = [];
        foreach ([[null], ...$this->answers->slicing->labels] as $i => $labels) {
            $groups[] = [
                'group' => $i === 0 || count($labels) === 1 ? $labels[0] : $labels,
                ...($i > 0 && in_array(null, $labels, true) ? ['without_label' => true] : []),
                ...$this->figures($observations[$i]),
            ];
        }
        $overall = $observations[0];
        $histogram = $overall->n() === 0 ? null : $this->answers->histograms([$overall])[0];

        return [
            'groups' => $groups,
            'histogram' => $histogram === null ? null : self::histogram($overall, $histogram),
            ...($histogram === null || !$this->answers->question->tallies ? [] : ['from_classes' => $this->fromClasses($overall, $histogram)]),
            ...($this->answers->question->match === null ? [] : $this->matches($variable, $overall, $this->answers->question->match)),
            ...$this->readingsOf($variable),
        ];
    }

    /** @return array<string, float|null>|null what the classes alone would give; null where they leave values out */
    private function fromClasses(Observations $overall, Histogram $histogram): ?array
    {
        $costs = ClassCost::of($overall, $histogram, $this->answers->question->basis->takenAs);

        return $costs === null ? null : array_map(static fn(ClassCost $cost): ?float => $cost->fromClasses->number(), array_column($costs, null, 'key'));
    }

    /** @return array{figures: array<string, mixed>, undefined: array<string, string>|stdClass} */
    private function figures(Observations $observations): array
    {
        $basis = $this->answers->question->basis;
        $figures = $undefined = $normality = $interval = $within = $percentiles = [];
        $statistics = Catalogue::chosen([
            ...array_map(static fn(Statistic $statistic): string => $statistic->key(), Catalogue::all()),
            ...array_map(Catalogue::percentileKey(...), $this->answers->question->percentiles),
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
            $undefined['outliers'] = 'more than ' . NumberMarks::count(self::OUTLIERS_REPEATED) . ': see outliers_counted';
        }
        $figures['percentiles'] = $percentiles === [] ? new stdClass() : $percentiles;

        return ['figures' => $figures, 'undefined' => $undefined === [] ? new stdClass() : $undefined];
    }

    /** @return array<string, int|float|null>|null */
    private function within(ShareWithinDeviations $within, Observations $observations): ?array
    {
        $bounds = $within->bounds($observations, $this->answers->question->basis);

        return $bounds === null ? null : [
            'low' => Exact::toFloat($bounds['low']),
            'high' => Exact::toFloat($bounds['high']),
            'count' => $observations->hasWholeCounts() ? $bounds['count'] : $bounds['count'] / 10 ** $observations->countDecimals,
            'share' => $within->of($observations, $this->answers->question->basis)->number(),
            'expected_share' => $within->expectedShare(),
        ];
    }

    /** @return array{match: list<array<string, mixed>>, match_read?: string} */
    private function matches(ReadVariable $variable, Observations $overall, string $stated): array
    {
        $found = $this->answers->found($variable, $overall, $stated);

        return [
            'match' => array_map(static fn(Explanation $explanation): array => [
                'figure' => $explanation->statistic->key(),
                'value' => $explanation->value,
                'differences' => $explanation->differences,
            ], $found['matches']),
            ...($found['read'] === null ? [] : ['match_read' => $found['read']]),
        ];
    }

    /**
     * Every outlier, as often as it occurs and with that count beside it; only counted where there are very many.
     *
     * @return array{outliers: list<float>|null, outliers_counted: list<array{value: float, count: int|float}>}
     */
    private function outliers(Observations $observations): array
    {
        $marks = Outliers::every($observations, $this->answers->question->basis);
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
