<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvFile;
use RowTally\Core\Columns\VariableType;
use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\MissingMarks;
use RowTally\Core\Parsing\NumberStyle;
use RowTally\Core\Parsing\NumberText;
use RowTally\Core\Parsing\RecognisedType;
use RowTally\Core\Parsing\TotalRow;
use RowTally\Core\Parsing\VariableName;

/** Decides what each column of a table is, from a sample of its rows and from what somebody has decided. */
final class RecogniseColumns
{
    /** @return list<RecognisedVariable> all columns of the table in its shape, also those that are not taken */
    public static function of(CsvFile $file, Decisions $decisions): array
    {
        $reshape = Reshape::of($file->names, $decisions);
        $head = $reshape->rows(self::rowsThatCount($file->head, $file->leaveOut));
        $spread = $reshape->rows(self::rowsThatCount($file->spread, $file->leaveOut));
        $commaMark = $file->dialect->delimiter !== ',';
        $samples = $recognised = [];
        foreach ($reshape->names() as $i => $name) {
            $samples[] = $sample = [self::withoutMarks(array_column($head, $i), $decisions->missing), self::withoutMarks(array_column($spread, $i), $decisions->missing)];
            $recognised[] = RecognisedType::of($name->name, $sample[0], $sample[1], $commaMark);
        }
        $mark = self::decimalMark($recognised, $samples);
        $order = self::dateOrder($recognised, $samples);
        $variables = [];
        foreach ($reshape->names() as $i => $name) {
            $variables[] = self::column(
                $name,
                $recognised[$i],
                $mark,
                $order,
                $samples[$i],
                $commaMark,
                // Decisions about single columns name the columns of the file; a new shape has others.
                $reshape->isPlain() ? $decisions->column($i) : new ColumnDecision(),
                $decisions->missing,
                !$reshape->isPlain() && $i === count($reshape->names()) - 1,
            );
        }

        return $variables;
    }

    /**
     * The decimal mark that the columns of numbers show, one or several of them, and none another.
     *
     * @param list<RecognisedType>                    $recognised
     * @param list<array{list<string>, list<string>}> $samples
     *
     * @return '.'|','|null
     */
    private static function decimalMark(array $recognised, array $samples): ?string
    {
        $shown = [];
        foreach ($recognised as $i => $column) {
            $mark = $column->style->decimalMark;
            if ($column->type === VariableType::Number && !isset($shown[$mark]) && NumberStyle::showDecimalMark([...$samples[$i][0], ...$samples[$i][1]], $mark)) {
                $shown[$mark] = true;
            }
        }

        return count($shown) === 1 ? array_key_first($shown) : null;
    }

    /**
     * Whether the day or the month comes first, as the columns of dates show it, one or several of them, and none the other.
     *
     * @param list<RecognisedType>                    $recognised
     * @param list<array{list<string>, list<string>}> $samples
     */
    private static function dateOrder(array $recognised, array $samples): ?DateText
    {
        $shown = null;
        foreach ($recognised as $i => $column) {
            $order = $column->dateOrder;
            if ($order !== null && $order->isShownBy([...$samples[$i][0], ...$samples[$i][1]])) {
                if ($shown !== null && $order !== $shown) {
                    return null;
                }
                $shown = $order;
            }
        }

        return $shown;
    }

    /** @param list<string> $cells */
    private static function areNumbers(array $cells): bool
    {
        return array_filter($cells, static fn(string $cell): bool => !NumberText::isBlank($cell) && NumberText::parse($cell) === null) === [];
    }

    /**
     * @param list<list<string>> $rows
     * @param list<string>       $leaveOut
     *
     * @return list<list<string>>
     */
    private static function rowsThatCount(array $rows, array $leaveOut): array
    {
        return $leaveOut === [] ? $rows : array_values(array_filter($rows, static fn(array $row): bool => !in_array(TotalRow::firstEntry($row), $leaveOut, true)));
    }

    /**
     * @param list<string> $cells
     * @param list<string> $marks
     *
     * @return list<string>
     */
    private static function withoutMarks(array $cells, array $marks): array
    {
        return $marks === [] ? $cells : array_map(static fn(string $cell): string => in_array(trim($cell), $marks, true) ? '' : $cell, $cells);
    }

    /**
     * @param '.'|','|null                      $tableMark  the decimal mark that the table shows
     * @param DateText|null                     $tableOrder whether the day or the month comes first, as the table shows
     * @param array{list<string>, list<string>} $sample     cells from the head and from elsewhere
     * @param list<string>                      $missing
     * @param bool                              $isMade     whether it was put together of several columns: then it holds values and no ids
     */
    private static function column(VariableName $name, RecognisedType $recognised, ?string $tableMark, ?DateText $tableOrder, array $sample, bool $commaMark, ColumnDecision $decision, array $missing, bool $isMade): RecognisedVariable
    {
        $type = $decision->type ?? ($isMade && self::areNumbers($sample[0]) ? VariableType::Number : $recognised->type);
        $style = $recognised->style;
        $inDoubt = null;
        $isOpen = $tableMark === null ? $commaMark : $style->decimalMark !== $tableMark;
        if ($type === VariableType::Number && ($isOpen || $recognised->type !== VariableType::Number)) {
            $filled = array_values(array_filter([...$sample[0], ...$sample[1]], static fn(string $cell): bool => !NumberText::isBlank($cell) && !MissingMarks::isKnown($cell)));
            $style = $recognised->type === VariableType::Number ? $style : NumberStyle::recognise($filled, $commaMark);
            $isAsked = $tableMark === null && $isOpen && $decision->decimalMark === null && $decision->groupMark === null;
            $inDoubt = $isAsked && $style->withThousands($filled) !== null ? $style->marked($filled) : null;
            $style = $tableMark === null ? $style : $style->beside($filled, $tableMark);
        }
        $dateOrder = $type === VariableType::Date ? $decision->dateOrder ?? $recognised->dateOrder : null;
        if ($dateOrder !== null && $decision->dateOrder === null && $dateOrder !== DateText::YearFirst && !$dateOrder->isShownBy([...$sample[0], ...$sample[1]])) {
            $dateOrder = $tableOrder ?? $dateOrder;
            $inDoubt = $tableOrder === null ? $dateOrder->readTwoWays([...$sample[0], ...$sample[1]]) : null;
        }
        $isNumber = $type === VariableType::Number;
        // A unit belongs to numbers; elsewhere the brackets are part of the name.
        $unit = $isNumber ? $name->unit ?? ($style->affixes[0] ?? null) : null;
        $mark = $decision->decimalMark;

        return new RecognisedVariable(
            $decision->name ?? ($isNumber || $name->unit === null ? $name->name : $name->asItStands),
            $decision->unit ?? $unit,
            $type,
            new NumberStyle(
                $mark === ',' || $mark === '.' ? $mark : $style->decimalMark,
                $decision->groupMark ?? ($mark !== null && $mark === $style->groupMark ? '' : $style->groupMark),
                $decision->affixes ?? $style->affixes,
            ),
            $dateOrder,
            $decision->isTaken,
            $decision->order ?? [],
            $decision->label,
            $decision->description,
            $missing,
            $inDoubt,
        );
    }
}
