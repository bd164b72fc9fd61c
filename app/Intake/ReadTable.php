<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Csv\CsvRows;
use RowTally\Core\Columns\CategoryColumnBuilder;
use RowTally\Core\Columns\DateColumnBuilder;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Columns\TextColumnBuilder;
use RowTally\Core\Columns\VariableType;
use RowTally\Core\Parsing\DateText;

/** Reads a CSV file into columns: decides each column's type on a sample, then packs all rows in one pass. */
final class ReadTable
{
    /** Distinct texts remembered over all columns together. */
    private const MEMO_IN_ALL = 1_000_000;
    private const MEMO_A_COLUMN = 50_000;
    private const NAMES_IN_A_NOTE = 5;
    private const LONGEST_TITLE = 120;

    /**
     * @param callable(int $bytesRead, int $rowsRead): void $progress called after every chunk; may throw to stop the reading
     *
     * @throws NotATable
     */
    public function read(CsvFile $file, ColumnSink $sink, callable $progress, Decisions $decisions = new Decisions()): TableReading
    {
        $columns = array_filter(RecogniseColumns::of($file, $decisions), static fn(RecognisedVariable $variable): bool => $variable->isTaken);
        if ($columns === []) {
            throw NotATable::noColumnTaken();
        }
        $places = array_keys($columns);
        $variables = array_values($columns);
        $memo = min(self::MEMO_A_COLUMN, intdiv(self::MEMO_IN_ALL, count($variables)));
        $builders = array_map(static fn(RecognisedVariable $variable): NumberColumnBuilder|CategoryColumnBuilder|TextColumnBuilder|DateColumnBuilder => match ($variable->type) {
            VariableType::Number => new NumberColumnBuilder($variable->style->decimalMark, $memo),
            VariableType::Category => new CategoryColumnBuilder($variable->order),
            VariableType::Date => new DateColumnBuilder($variable->dateOrder ?? DateText::YearFirst),
            VariableType::Id, VariableType::Text => new TextColumnBuilder(),
        }, $variables);
        $missing = array_fill(0, count($variables), 0);
        $sink->begin($variables);
        $rows = new CsvRows($file);
        $rowsRead = 0;
        $cells = new PlainCells($decisions->missing);
        foreach (Reshape::of($file->names, $decisions)->batches($rows->batches()) as $number => $batch) {
            $encoded = [];
            foreach ($builders as $i => $builder) {
                $encoded[] = $column = $builder->add($cells->of($batch[$places[$i]], $variables[$i], $rows->hasApostrophes));
                $missing[$i] += $column->chunk->missing;
            }
            $sink->write($number, $encoded);
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

    private function readVariable(RecognisedVariable $variable, NumberColumnBuilder|CategoryColumnBuilder|TextColumnBuilder|DateColumnBuilder $builder, int $missing): ReadVariable
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
        foreach ($file->titles as $title) {
            $notes[] = 'Above the table stands: ' . mb_strimwidth($title, 0, self::LONGEST_TITLE, '…');
        }
        if (!$file->dialect->hasHeader) {
            $notes[] = 'The first line holds no names, so it was read as a row, and the variables were numbered.';
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
        if ($rows->remarks > 0) {
            $notes[] = $rows->remarks === 1 ? 'One line of remarks was passed over.' : number_format($rows->remarks) . ' lines of remarks were passed over.';
        }
        if ($rows->leftOut > 0) {
            $notes[] = sprintf('%s that %s with %s left out.', $rows->leftOut === 1 ? 'One row' : number_format($rows->leftOut) . ' rows', $rows->leftOut === 1 ? 'begins' : 'begin', implode(' or ', array_map(static fn(string $text): string => "“{$text}”", $file->leaveOut)) . ($rows->leftOut === 1 ? ' was' : ' were'));
        }
        $unread = array_filter($variables, static fn(ReadVariable $variable): bool => $variable->unread > 0);
        if ($unread !== []) {
            $named = array_map(
                static fn(ReadVariable $variable): string => "{$variable->name} (" . number_format($variable->unread) . ')',
                array_slice(array_values($unread), 0, self::NAMES_IN_A_NOTE),
            );
            $more = count($unread) - count($named);
            $notes[] = 'Cells that could not be read were kept as text and count as missing: ' . implode(', ', $named) . ($more > 0 ? " and {$more} more variables." : '.');
        }

        return $notes;
    }
}
