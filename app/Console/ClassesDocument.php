<?php

declare(strict_types=1);

namespace App\Console;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Columns\Grouping;
use RowTally\Core\Columns\TallyUnderCounts;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Frequency\FrequencyKind;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Frequency\LabelFrequencies;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Grouped\ClassRow;
use RowTally\Core\Grouped\GroupedFigures;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Parsing\ClassLabel;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Profile\RowGrouping;
use RowTally\Core\Values\Exact;
use RowTally\Core\Working\Written;

/** What the command line answers of classes with counts. */
final readonly class ClassesDocument
{
    /**
     * @param list<list<string|null>> $groups
     * @param list<string>            $countColumns
     */
    private function __construct(
        private FileColumns $columns,
        private FileQuestion $question,
        private string $name,
        private GroupedProfile $profile,
        private array $groups,
        private array $countColumns = [],
    ) {}

    /**
     * The labels of a category are the classes.
     *
     * @param list<string> $countColumns more than one are the counts of a group each
     */
    public static function ofLabels(FileColumns $columns, FileQuestion $question, string $name, ClassReading $reading, array $countColumns): self
    {
        $variable = $columns->variable($name);
        if ($variable->type !== VariableType::Category) {
            throw new UnusableRequest("\"{$name}\" has no classes: it was read as {$variable->type->value}.");
        }
        $reading = $reading->markedBy($variable->labelMark);
        foreach ($countColumns as $counts) {
            self::makeSureOfCounts($columns, $counts, array_map(static fn(string $label): bool => $label !== '', self::cells($columns, $name)));
        }
        $slicing = RowGrouping::of($columns, $question->by, [], $question->basis);
        if (count($countColumns) > 1) {
            if ($question->by !== []) {
                throw NotUnderstood::splitAndColumns();
            }
            $tables = array_map(static fn(string $counts): FrequencyTable => self::byGroup($columns, $name, [$slicing->overall], $counts), $countColumns);

            return new self($columns, $question, $name, GroupedProfile::of(FrequencyTable::together($tables), $reading), array_map(static fn(string $counts): array => [$counts], $countColumns), $countColumns);
        }
        $table = self::byGroup($columns, $name, [$slicing->overall, ...($question->by === [] ? [] : [$slicing->grouping])], $question->basis->counts);

        return new self($columns, $question, $name, GroupedProfile::of($table, $reading), $slicing->labels);
    }

    /** @param non-empty-list<Grouping> $groupings */
    private static function byGroup(FileColumns $columns, string $name, array $groupings, ?string $counts): FrequencyTable
    {
        return LabelFrequencies::table($columns->chunks($name), $columns->variable($name)->dictionary, $groupings, $counts === null ? null : $columns->number($counts));
    }

    /** Two number columns are the limits; an empty cell is an open side. Each row is a class. */
    public static function ofLimits(FileColumns $columns, FileQuestion $question, string $low, string $high, ClassReading $reading): self
    {
        if ($question->by !== []) {
            throw new UnusableRequest('Classes in two columns cannot be split; leave --by out.');
        }
        $weights = $question->basis->counts === null ? null : TallyUnderCounts::perRow($columns->number($question->basis->counts));
        $lows = self::texts($columns, $low);
        $highs = self::texts($columns, $high);
        if ($question->basis->counts !== null) {
            self::makeSureOfCounts($columns, $question->basis->counts, array_map(static fn(string $from, string $to): bool => $from . $to !== '', $lows, $highs));
        }
        $labels = $counts = [];
        foreach ($lows as $row => $text) {
            $count = $weights === null ? 1 : $weights['counts'][$row];
            if ($count !== null && ClassLabel::text($text, $highs[$row]) !== '') {
                $labels[] = ClassLabel::text($text, $highs[$row]);
                $counts[] = $count;
            }
        }

        return new self($columns, $question, "{$low} to {$high}", GroupedProfile::of(new FrequencyTable(FrequencyKind::Labels, $labels, [$counts], [0], $weights['decimals'] ?? 0), $reading), []);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $table = $this->profile->columns[0]->table;

        return [
            'basis' => $this->question->basis->toArray(),
            'rows' => $this->columns->rowCount(),
            'variables' => [[
                'variable' => $this->name,
                'type' => 'classes',
                'limits' => $table->limits->value,
                'unit' => $table->unit === null ? null : Exact::toFloat($table->unit),
                'total_left_out' => $this->profile->total,
                'groups' => array_map(fn(int $i, GroupedFigures $column): array => [
                    'group' => $i === 0 ? null : (count($this->groups[$i - 1]) === 1 ? $this->groups[$i - 1][0] : $this->groups[$i - 1]),
                    'figures' => $this->figures($i, $column),
                    'classes' => self::classes($column),
                ], array_keys($this->profile->columns), $this->profile->columns),
            ]],
        ];
    }

    /** @return array<string, array{head: list<string>, rows: list<list<string>>}> by title */
    public function tables(): array
    {
        $basis = $this->question->basis;
        $names = ['Overall', ...array_map(RowGrouping::name(...), $this->groups)];
        $figures = [];
        foreach ($this->profile->figures($basis) as $row) {
            $figures[] = [trim("{$row['label']}  {$row['symbol']}"), ...array_map(fn($figure): string => $this->profile->text($figure, $row['shownAs'], $basis) ?? (string) $figure->reason?->value, $row['figures'])];
        }
        $classes = array_map(fn(int $i, ClassRow $row): array => [
            $row->label . ($row->isOpen ? ' (open, width assumed)' : ''),
            Written::number($row->lower) . ' to ' . Written::number($row->upper),
            Written::number($row->width()),
            Written::number($row->midpoint),
            ...array_map(static fn(GroupedFigures $column): string => Written::number($column->table->rows[$i]->count), $this->profile->columns),
        ], array_keys($this->profile->columns[0]->table->rows), $this->profile->columns[0]->table->rows);

        return [
            "{$this->name}, from classes" => ['head' => ['', ...$names], 'rows' => $figures],
            'Classes' => ['head' => ['', 'Boundaries', 'Width', 'Midpoint', ...$names], 'rows' => $classes],
        ];
    }

    public function basis(): string
    {
        return $this->question->basis->words() . ' ' . $this->profile->words($this->countColumns);
    }

    /** @return array<string, mixed> */
    private function figures(int $at, GroupedFigures $column): array
    {
        $figures = [];
        foreach ($this->profile->figures($this->question->basis) as $row) {
            $figures[$row['key']] = $row['figures'][$at]->value;
        }
        $percentiles = [];
        foreach ($this->question->percentiles as $percent) {
            $value = $column->quantile(BigRational::of($percent)->dividedBy(100));
            $percentiles[$percent] = $value === null ? null : Exact::toFloat($value);
        }

        return [
            ...$figures,
            'modal_class' => $column->modalClasses(),
            'modal_class_by_density' => $column->modalClasses(true),
            'percentiles' => (object) $percentiles,
        ];
    }

    /** @return list<array<string, float|string|bool|null>> */
    private static function classes(GroupedFigures $column): array
    {
        $n = $column->n();
        $upTo = BigRational::zero();
        $double = static fn(BigRational $ratio): ?float => Exact::toFloat($ratio);
        $classes = [];
        foreach ($column->table->rows as $row) {
            $upTo = $upTo->plus($row->count);
            $classes[] = [
                'label' => $row->label,
                'low' => $double($row->low),
                'high' => $double($row->high),
                'open' => $row->isOpen,
                'lower_boundary' => $double($row->lower),
                'upper_boundary' => $double($row->upper),
                'width' => $double($row->width()),
                'midpoint' => $double($row->midpoint),
                'count' => $double($row->count),
                'relative' => $n->isZero() ? null : $double($row->count->dividedBy($n)),
                'cumulative' => $double($upTo),
                'cumulative_relative' => $n->isZero() ? null : $double($upTo->dividedBy($n)),
            ];
        }

        return $classes;
    }

    /**
     * A row with a class and no count would be a class of nothing: it is named instead.
     *
     * @param list<bool> $hasClass by row
     */
    private static function makeSureOfCounts(FileColumns $columns, string $counts, array $hasClass): void
    {
        $rows = array_values(array_filter(TallyUnderCounts::rowsLeftOut($columns->number($counts)), static fn(int $row): bool => $hasClass[$row - 1] ?? false));
        if ($rows !== []) {
            throw NotUnderstood::countsUnusable($counts, $rows);
        }
    }

    /** @return list<string> '' where missing */
    private static function cells(FileColumns $columns, string $name): array
    {
        $cells = [];
        foreach ($columns->chunks($name) as $chunk) {
            array_push($cells, ...ColumnCells::of(new EncodedCells($chunk), $columns->dictionary($name), null));
        }

        return $cells;
    }

    /** @return list<string> '' where missing */
    private static function texts(FileColumns $columns, string $name): array
    {
        $column = $columns->number($name);
        $texts = [];
        foreach ($columns->chunks($name) as $chunk) {
            array_push($texts, ...ColumnCells::of(new EncodedCells($chunk), $column->dictionary, $column->decimals));
        }

        return array_map(static fn(string $text): string => $text === '' ? '' : Exact::plainDecimal(BigDecimal::of($text)), $texts);
    }
}
