<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvRecords;

/**
 * What somebody has decided about how a file is read. Everything that is null or not named is recognised from the file each
 * time, so the same decisions with the same file always give the same table.
 */
final readonly class Decisions
{
    public const DELIMITERS = [',', ';', "\t", '|', ' '];
    public const QUOTES = ['"', "'", '', CsvRecords::ESCAPED];
    public const ENCODINGS = ['utf-8', 'utf-16le', 'utf-16be', 'windows-1252', 'iso-8859-1'];

    /**
     * @param list<string>               $missing  texts that stand for no value
     * @param list<string>               $leaveOut first entries of rows that are left out
     * @param array<int, ColumnDecision> $columns  by place in the table, from 0
     * @param list<int>                  $stacked  places of the columns that are one variable
     */
    public function __construct(
        public ?string $sheet = null,
        public ?string $range = null,
        public ?string $encoding = null,
        public ?string $delimiter = null,
        public ?string $quote = null,
        public ?string $comment = null,
        public ?int $firstLine = null,
        public ?bool $hasHeader = null,
        public array $missing = [],
        public array $leaveOut = [],
        /** Whether rows that look like totals are left out without being named. */
        public bool $leaveOutTotals = true,
        public TableLayout $shape = TableLayout::Columns,
        public array $stacked = [],
        public ?string $valueName = null,
        public array $columns = [],
        /** Place of the column that says how often each row counts; false = there is none, so it need not be asked. */
        public int|false|null $counts = null,
        /** Place of the column of classes or values that they count. */
        public ?int $counted = null,
        /** Whether what stands behind the last name in a row is left out; otherwise such a row is refused. */
        public bool $leaveOutExtraCells = false,
        /** What a row is, one and many, such as "hive, hives"; null = a row. */
        public ?string $rowWord = null,
    ) {}

    /** @return array{row_one: string|null, row_many: string|null} what a row of it is called */
    public function rowWords(): array
    {
        [$one, $many] = array_map(trim(...), [...explode(',', $this->rowWord ?? '', 2), '']);

        return $one === '' ? ['row_one' => null, 'row_many' => null] : ['row_one' => $one, 'row_many' => $many === '' ? "{$one}s" : $many];
    }

    /** One word for one and one for many, each of at most 40 characters. */
    private static function rowWord(?string $text): ?string
    {
        return $text !== null && preg_match('/^[^,\r\n]{1,40}(,[^,\r\n]{0,40})?$/u', trim($text)) === 1 && trim($text, ', ') !== '' ? trim($text) : null;
    }

    public function column(int $place): ColumnDecision
    {
        return $this->columns[$place] ?? new ColumnDecision();
    }

    /** Where a column stands among those that are taken; null where it is not. */
    public function position(int|false|null $place): ?int
    {
        return is_int($place) && $this->column($place)->isTaken
            ? count(array_filter(range(0, $place), fn(int $other): bool => $this->column($other)->isTaken)) - 1
            : null;
    }

    /** @param array<array-key, mixed> $words as `toArray` gives them; unknown words are passed over */
    public static function fromArray(array $words): self
    {
        $text = static fn(string $key): ?string => is_string($words[$key] ?? null) ? $words[$key] : null;
        $list = static fn(string $key): array => is_array($words[$key] ?? null) ? array_values($words[$key]) : [];
        $columns = [];
        foreach (is_array($words['columns'] ?? null) ? $words['columns'] : [] as $place => $column) {
            if (is_int($place) && is_array($column)) {
                /** @var array<string, mixed> $column */
                $columns[$place] = ColumnDecision::fromArray($column);
            }
        }

        return new self(
            $text('sheet'),
            $text('range'),
            self::oneOf($text('encoding'), self::ENCODINGS),
            self::oneOf($text('delimiter'), self::DELIMITERS),
            self::oneOf($text('quote'), self::QUOTES),
            $text('comment'),
            is_int($words['first_line'] ?? null) ? max(1, $words['first_line']) : null,
            is_bool($words['header'] ?? null) ? $words['header'] : null,
            array_values(array_filter($list('missing'), is_string(...))),
            array_values(array_filter($list('leave_out'), is_string(...))),
            ($words['leave_out_totals'] ?? true) !== false,
            TableLayout::tryFrom($text('shape') ?? '') ?? TableLayout::Columns,
            array_values(array_filter($list('stacked'), is_int(...))),
            $text('value_name'),
            $columns,
            is_int($words['counts'] ?? null) || ($words['counts'] ?? null) === false ? $words['counts'] : null,
            is_int($words['counted'] ?? null) ? $words['counted'] : null,
            ($words['leave_out_extra_cells'] ?? false) === true,
            self::rowWord($text('row_word')),
        );
    }

    /** @return array<string, mixed> only what was decided */
    public function toArray(): array
    {
        $columns = array_filter(
            array_map(static fn(ColumnDecision $column): array => $column->toArray(), $this->columns),
            static fn(array $column): bool => $column !== [],
        );

        return array_filter([
            'sheet' => $this->sheet,
            'range' => $this->range,
            'encoding' => $this->encoding,
            'delimiter' => $this->delimiter,
            'quote' => $this->quote,
            'comment' => $this->comment,
            'first_line' => $this->firstLine,
            'header' => $this->hasHeader,
            'missing' => $this->missing === [] ? null : $this->missing,
            'leave_out' => $this->leaveOut === [] ? null : $this->leaveOut,
            'leave_out_totals' => $this->leaveOutTotals ? null : false,
            'shape' => $this->shape === TableLayout::Columns ? null : $this->shape->value,
            'stacked' => $this->stacked === [] ? null : $this->stacked,
            'value_name' => $this->valueName,
            'columns' => $columns === [] ? null : $columns,
            'counts' => $this->counts,
            'counted' => $this->counted,
            'leave_out_extra_cells' => $this->leaveOutExtraCells ? true : null,
            'row_word' => $this->rowWord,
        ], static fn(mixed $value): bool => $value !== null);
    }

    /**
     * One more decision. Decisions about columns are forgotten when the columns themselves become others.
     *
     * @param array{what: string, column?: int|null, value: mixed} $change what: a word of `toArray`, or of a column where one is named
     */
    public function with(array $change): self
    {
        $words = $this->toArray();
        $column = $change['column'] ?? null;
        if ($column !== null) {
            $columns = $this->columns;
            /** @var array<string, mixed> $decided */
            $decided = array_replace($this->column($column)->toArray(), [$change['what'] => $change['value']]);
            $columns[$column] = ColumnDecision::fromArray($decided);
            $words['columns'] = array_map(static fn(ColumnDecision $decision): array => $decision->toArray(), $columns);

            return self::fromArray($words);
        }
        if (in_array($change['what'], ['sheet', 'range', 'delimiter', 'quote', 'first_line', 'shape', 'stacked'], true)) {
            unset($words['counts'], $words['counted']);
        }
        if (in_array($change['what'], ['sheet', 'range', 'delimiter', 'quote', 'first_line'], true)) {
            unset($words['columns'], $words['stacked'], $words['shape']);
        }
        if ($change['what'] === 'sheet') {
            unset($words['range'], $words['first_line'], $words['header']);
        }

        return self::fromArray([...$words, $change['what'] => $change['value']]);
    }

    /**
     * @param list<string> $known
     */
    private static function oneOf(?string $word, array $known): ?string
    {
        return in_array($word, $known, true) ? $word : null;
    }
}
