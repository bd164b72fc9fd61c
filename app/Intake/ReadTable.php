<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Csv\CsvRows;
use RowTally\Core\Columns\CategoryColumnBuilder;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Columns\TextColumnBuilder;
use RowTally\Core\Columns\VariableType;
use RowTally\Core\Parsing\RecognisedType;

/** Reads a CSV file into columns: decides each column's type on a sample, then packs all rows in one pass. */
final class ReadTable
{
    /** Distinct texts remembered over all columns together. */
    private const MEMO_IN_ALL = 1_000_000;
    private const MEMO_A_COLUMN = 50_000;
    private const NAMES_IN_A_NOTE = 5;

    /**
     * @param callable(int $bytesRead, int $rowsRead): void $progress called after every chunk; may throw to stop the reading
     *
     * @throws NotATable
     */
    public function read(CsvFile $file, ColumnSink $sink, callable $progress): TableReading
    {
        $variables = $this->recognise($file);
        $memo = min(self::MEMO_A_COLUMN, intdiv(self::MEMO_IN_ALL, count($variables)));
        $builders = array_map(static fn(RecognisedVariable $variable): NumberColumnBuilder|CategoryColumnBuilder|TextColumnBuilder => match ($variable->type) {
            VariableType::Number => new NumberColumnBuilder($variable->decimalMark, $memo),
            VariableType::Category => new CategoryColumnBuilder(),
            VariableType::Id, VariableType::Text => new TextColumnBuilder(),
        }, $variables);
        $missing = array_fill(0, count($variables), 0);
        $sink->begin($variables);
        $rows = new CsvRows($file);
        $rowsRead = 0;
        foreach ($rows->batches() as $number => $batch) {
            $columns = [];
            foreach ($builders as $i => $builder) {
                $columns[] = $encoded = $builder->add($batch[$i]);
                $missing[$i] += $encoded->chunk->missing;
            }
            $sink->write($number, $columns);
            $rowsRead += count($batch[0]);
            $progress($rows->bytesRead, $rowsRead);
        }
        if ($rowsRead === 0) {
            throw NotATable::headerOnly(count($variables));
        }
        $read = [];
        foreach ($variables as $i => $variable) {
            $read[] = $this->readVariable($variable, $builders[$i], $missing[$i]);
        }

        return new TableReading($rowsRead, $read, $this->notes($file, $rows, $read));
    }

    /** @return list<RecognisedVariable> */
    private function recognise(CsvFile $file): array
    {
        $variables = [];
        foreach ($file->names as $i => $name) {
            $type = RecognisedType::of($name->name, array_column($file->head, $i), array_column($file->spread, $i), $file->delimiter !== ',');
            $isNumber = $type->type === VariableType::Number;
            $variables[] = new RecognisedVariable(
                // A unit belongs to numbers; elsewhere the brackets are part of the name.
                $isNumber || $name->unit === null ? $name->name : $name->asItStands,
                $isNumber ? $name->unit : null,
                $type->type,
                $type->decimalMark,
            );
        }

        return $variables;
    }

    private function readVariable(RecognisedVariable $variable, NumberColumnBuilder|CategoryColumnBuilder|TextColumnBuilder $builder, int $missing): ReadVariable
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
            $isNumber ? $builder->unread() : 0,
            $isNumber ? $builder->valueCounts() : null,
        );
    }

    /**
     * @param list<ReadVariable> $variables
     *
     * @return list<string> what the reader of the file should know
     */
    private function notes(CsvFile $file, CsvRows $rows, array $variables): array
    {
        $notes = [];
        if (!$file->hasHeader) {
            $notes[] = 'The first line holds only numbers, so it was read as a row, and the variables were numbered.';
        }
        if ($rows->shortRows > 0) {
            $notes[] = sprintf(
                '%s fewer cells than there are names (the first is line %d of the file); the cells that are not there count as missing.',
                $rows->shortRows === 1 ? 'One row has' : number_format($rows->shortRows) . ' rows have',
                $rows->firstShortLine,
            );
        }
        if ($rows->blankLines > 0) {
            $notes[] = $rows->blankLines === 1 ? 'One blank line was passed over.' : number_format($rows->blankLines) . ' blank lines were passed over.';
        }
        $unread = array_filter($variables, static fn(ReadVariable $variable): bool => $variable->unread > 0);
        if ($unread !== []) {
            $named = array_map(
                static fn(ReadVariable $variable): string => "{$variable->name} (" . number_format($variable->unread) . ')',
                array_slice(array_values($unread), 0, self::NAMES_IN_A_NOTE),
            );
            $more = count($unread) - count($named);
            $notes[] = 'Cells that are not numbers were kept as text and count as missing: ' . implode(', ', $named) . ($more > 0 ? " and {$more} more variables." : '.');
        }

        return $notes;
    }
}
