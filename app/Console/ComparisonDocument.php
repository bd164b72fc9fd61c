<?php

declare(strict_types=1);

namespace App\Console;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\MissingRows;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Columns\TallyUnderCounts;
use RowTally\Core\Comparison\ComparedGroups;
use RowTally\Core\Comparison\ComparisonFigures;
use RowTally\Core\Comparison\ComparisonLine;
use RowTally\Core\Comparison\ComparisonLines;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Profile\PairedColumns;
use RowTally\Core\Profile\RowGrouping;
use RowTally\Core\Readings\GoodDirection;
use RowTally\Core\Readings\GroupsAgainst;
use RowTally\Core\Readings\PairsAgainst;
use RowTally\Core\Readings\Reading;
use RowTally\Core\Readings\Readings;
use RowTally\Core\Readings\RowWord;
use RowTally\Core\Readings\Wording;

/** What the command line answers of things compared: as one JSON document, or as tables in words. */
final readonly class ComparisonDocument
{
    /**
     * @param list<array{kind: string, first: string, second: string, figures: array<string, mixed>, undefined: array<string, string>, lines: list<array{title: string, lines: list<ComparisonLine>}>, readings: list<Reading>}> $comparisons
     */
    private function __construct(
        private string $title,
        private Basis $basis,
        private array $comparisons,
    ) {}

    /**
     * Groups of a number, each against the first.
     *
     * @param list<string> $by     names of the variables that split the rows
     * @param list<string> $groups labels in the order to compare; empty = all that have one
     *
     * @throws UnusableRequest
     */
    public static function ofGroups(FileColumns $columns, string $variable, array $by, array $groups, Basis $basis, ?GoodDirection $good, RowWord $rows): self
    {
        $column = $columns->number($variable);
        $read = $columns->variable($variable);
        $counts = $basis->counts;
        $complete = $basis->missingRows === MissingRows::PerVariable ? [] : [$variable, ...$by, ...($counts === null ? [] : [$counts])];
        $grouping = RowGrouping::of($columns, $by, $complete, $basis);
        $all = $counts === null ? TallyColumn::byGroup($column, $grouping->grouping) : TallyUnderCounts::byGroup($column, $columns->number($counts), $grouping->grouping, $counts);
        $chosen = self::chosen($grouping, $all, $groups);
        if (count($chosen) < 2) {
            throw new UnusableRequest('There is one group only; a comparison needs two. The groups are: ' . implode(', ', array_map(RowGrouping::name(...), $grouping->labels)) . '.');
        }
        $display = new FigureText($basis, $read->decimals, $all[0]->countDecimals);
        $wording = new Wording($display, $read->unit, $rows, $basis);
        $comparisons = [];
        [$first, $own] = $chosen[0];
        foreach (array_slice($chosen, 1) as [$second, $other]) {
            $compared = new ComparedGroups($own, $other, $basis);
            $comparisons[] = ['kind' => 'groups', 'first' => $first, 'second' => $second, ...ComparisonFigures::ofGroups($compared), 'lines' => ComparisonLines::ofGroups($compared, $display, $first), 'readings' => Readings::ofComparedGroups(new GroupsAgainst($compared, $first, $second, $wording, $good))];
        }

        return new self($variable . ($read->unit === null ? '' : " ({$read->unit})"), $basis, $comparisons);
    }

    /** The same rows earlier and later. */
    public static function ofPairs(FileColumns $columns, string $first, string $second, Basis $basis, ?GoodDirection $good, RowWord $rows): self
    {
        [$earlier, $later] = [$columns->variable($first), $columns->variable($second)];
        $compared = PairedColumns::of($columns, $earlier->name, $later->name, $basis, $basis->counts);
        $decimals = $earlier->decimals === null || $later->decimals === null ? null : max($earlier->decimals, $later->decimals);
        $display = new FigureText($basis, $decimals, $compared->changes->countDecimals);
        $unit = $later->unit === $earlier->unit ? $later->unit : null;
        $readings = Readings::ofComparedPairs(new PairsAgainst($compared, $earlier->name, $later->name, new Wording($display, $unit, $rows, $basis), $good));

        return new self("{$later->name} less {$earlier->name}", $basis, [
            ['kind' => 'pairs', 'first' => $earlier->name, 'second' => $later->name, ...ComparisonFigures::ofPairs($compared), 'lines' => ComparisonLines::ofPairs($compared, $display), 'readings' => $readings],
        ]);
    }

    /** @return array<string, mixed> */
    public function toArray(bool $withReadings): array
    {
        return [
            'basis' => $this->basis->toArray(),
            'comparisons' => array_map(static fn(array $comparison): array => [
                ...array_diff_key($comparison, ['lines' => true]),
                'undefined' => (object) $comparison['undefined'],
                'readings' => $withReadings ? array_map(static fn(Reading $reading): array => [...$reading->toArray(), 'figures' => (object) $reading->figures], $comparison['readings']) : [],
            ], $this->comparisons),
        ];
    }

    /** @return array<string, array{head: list<string>, rows: list<list<string>>}> by title */
    public function tables(): array
    {
        $tables = [];
        foreach ($this->comparisons as $comparison) {
            $rows = [];
            foreach ($comparison['lines'] as ['title' => $title, 'lines' => $lines]) {
                $rows[] = [$title, '', '', '', ''];
                foreach ($lines as $line) {
                    $rows[] = ["  {$line->label}", $line->first ?? '', $line->second ?? '', $line->difference ?? $line->reason ?? '', $line->beside ?? ''];
                }
            }
            $tables["{$this->title}: {$comparison['second']} against {$comparison['first']}"] = ['head' => ['', $comparison['first'], $comparison['second'], $comparison['kind'] === 'pairs' ? 'Change' : 'Difference', ''], 'rows' => $rows];
        }

        return $tables;
    }

    /** @return list<string> what each comparison says, a paragraph each */
    public function readingTexts(): array
    {
        return array_map(static fn(array $comparison): string => "{$comparison['second']} against {$comparison['first']}, what it says\n"
            . implode("\n", array_map(static fn(Reading $reading): string => "  {$reading->sentence}", $comparison['readings'])), $this->comparisons);
    }

    public function basis(): string
    {
        return $this->basis->words();
    }

    /**
     * @param list<Observations> $all    of each group
     * @param list<string>       $groups labels in the order to compare
     *
     * @return list<array{string, Observations}>
     *
     * @throws UnusableRequest
     */
    private static function chosen(RowGrouping $grouping, array $all, array $groups): array
    {
        $names = array_map(RowGrouping::name(...), $grouping->labels);
        if ($groups === []) {
            $shown = array_keys(array_filter($grouping->labels, static fn(array $labels): bool => !in_array(null, $labels, true)));

            return array_map(static fn(int $place): array => [$names[$place], $all[$place]], $shown);
        }

        return array_map(static function (string $group) use ($names, $all): array {
            $place = array_search($group, $names, true);

            return is_int($place) ? [$names[$place], $all[$place]] : throw new UnusableRequest("There is no group \"{$group}\". The groups are: " . implode(', ', $names) . '.');
        }, array_values(array_unique($groups)));
    }
}
