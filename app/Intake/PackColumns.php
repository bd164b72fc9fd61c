<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Csv\CsvRows;
use RowTally\Core\Columns\CategoryColumnBuilder;
use RowTally\Core\Columns\ColumnBuilder;
use RowTally\Core\Columns\DateColumnBuilder;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Columns\TextColumnBuilder;
use RowTally\Core\Parsing\ClassLabels;
use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\NumberText;
use RowTally\Core\Parsing\VariableType;

/** Reads some columns of a table, or all of them, in one pass over its file, and packs them. */
final readonly class PackColumns
{
    /** Distinct texts remembered over all columns together. */
    private const MEMO_IN_ALL = 1_000_000;
    private const MEMO_A_COLUMN = 50_000;

    /** @param array<int, RecognisedVariable> $columns those that are taken, by place in the table */
    public function __construct(
        private CsvFile $file,
        private Decisions $decisions,
        private array $columns,
    ) {}

    /**
     * @param list<int>                                     $positions which of them, among those that are taken
     * @param callable(int $bytesRead, int $rowsRead): void $progress  called after every chunk; may throw to stop the reading
     *
     * @throws NotATable
     */
    public function pack(array $positions, ColumnSink $sink, callable $progress): PackedColumns
    {
        $reshape = Reshape::of($this->file->names, $this->decisions);
        $places = array_keys($this->columns);
        $variables = array_values($this->columns);
        $memo = min(self::MEMO_A_COLUMN, intdiv(self::MEMO_IN_ALL, count($variables)));
        $builders = [];
        foreach ($positions as $position) {
            $builders[$position] = self::builder($variables[$position], $memo);
        }
        $missing = array_fill_keys($positions, 0);
        $wanted = array_map(static fn(int $position): int => $places[$position], $positions);
        $rows = new CsvRows($this->file, $reshape->isPlain() ? $wanted : []);
        $rowsRead = 0;
        $cells = new PlainCells($this->decisions->missing);
        $above = array_fill_keys($positions, '');
        $number = 0;
        foreach ($reshape->isPlain() ? $rows->pieces() : $reshape->pieces($rows->batches()) as [$piece, $isEnd]) {
            foreach ($builders as $position => $builder) {
                $column = $piece[$places[$position]];
                if ($variables[$position]->isFilledDown) {
                    [$column, $above[$position]] = self::filledDown($column, $above[$position]);
                }
                $builder->take($cells->of($column, $variables[$position], $rows->hasApostrophes));
            }
            $rowsRead += count($piece[$wanted[0]]);
            if (!$isEnd) {
                continue;
            }
            $encoded = array_map(static fn(ColumnBuilder $builder): EncodedCells => $builder->chunk(), $builders);
            foreach ($encoded as $position => $column) {
                $missing[$position] += $column->chunk->missing;
            }
            $sink->write($number++, $encoded);
            $progress($rows->bytesRead, $rowsRead);
        }
        $read = [];
        foreach ($builders as $position => $builder) {
            $read[$position] = self::readVariable($variables[$position], $builder, $missing[$position]);
        }

        return new PackedColumns($rowsRead, $read, $rows);
    }

    /**
     * An empty cell has the entry of the one above it, as merged cells mean it.
     *
     * @param list<string> $cells
     *
     * @return array{list<string>, string} the cells, and the last entry
     */
    public static function filledDown(array $cells, string $above): array
    {
        foreach ($cells as $row => $cell) {
            if (NumberText::isBlank($cell)) {
                $cells[$row] = $above;
            } else {
                $above = $cell;
            }
        }

        return [$cells, $above];
    }

    private static function builder(RecognisedVariable $variable, int $memo): ColumnBuilder
    {
        return match ($variable->type) {
            VariableType::Number => new NumberColumnBuilder($variable->style->decimalMark, $memo),
            VariableType::Category => new CategoryColumnBuilder($variable->order),
            VariableType::Date => new DateColumnBuilder($variable->dateOrder ?? DateText::YearFirst),
            VariableType::Id, VariableType::Text => new TextColumnBuilder(),
        };
    }

    private static function readVariable(RecognisedVariable $variable, ColumnBuilder $builder, int $missing): ReadVariable
    {
        $isNumber = $builder instanceof NumberColumnBuilder;
        $isCategory = $builder instanceof CategoryColumnBuilder;

        return new ReadVariable(
            $variable->name,
            $variable->unit,
            $isCategory && $builder->becameText() ? VariableType::Text : $variable->type,
            $isNumber ? $builder->decimals() : null,
            match (true) {
                $isNumber => $builder->dictionary(),
                $isCategory => $builder->labels(),
                default => [],
            },
            $isCategory && !$builder->becameText() ? $builder->labelCounts() : [],
            $missing,
            $isNumber || $builder instanceof DateColumnBuilder ? $builder->unread() : 0,
            $isNumber ? $builder->valueCounts() : null,
            $variable->label,
            $variable->description,
            $isCategory && !$builder->becameText() && ClassLabels::areClasses($builder->labels()) ? $variable->style->decimalMark : null,
        );
    }
}
