<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvFile;
use RowTally\Core\Parsing\ClassLabels;
use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\MissingMarks;
use RowTally\Core\Parsing\NumberStyle;
use RowTally\Core\Parsing\NumberText;
use RowTally\Core\Parsing\RecognisedType;
use RowTally\Core\Parsing\VariableName;
use RowTally\Core\Parsing\VariableType;

/** Decides what each column of a table is, from a sample of its rows and from what somebody has decided. */
final class RecogniseColumns
{
    /** @return list<RecognisedVariable> all columns of the table in its shape, also those that are not taken */
    public static function of(CsvFile $file, Decisions $decisions): array
    {
        $reshape = Reshape::of($file->names, $decisions);
        $head = $reshape->rows(self::rowsThatCount($file->head, $file));
        $spread = $reshape->rows(self::rowsThatCount($file->spread, $file));
        $commaMark = $file->dialect->delimiter !== ',';
        $samples = $recognised = [];
        $isPlain = $reshape->isPlain();
        $names = $reshape->names();
        foreach ($names as $i => $name) {
            $samples[] = $sample = self::sample(array_column($head, $i), array_column($spread, $i), $decisions, $isPlain && $decisions->column($i)->isFilledDown);
            $recognised[] = RecognisedType::of($name->name, $sample[0], $sample[1], $commaMark, count($names) === 1);
        }
        $shown = ShownByTable::of($recognised, array_map(static fn(array $sample): array => [...$sample[0], ...$sample[1]], $samples));
        $variables = [];
        foreach ($names as $i => $name) {
            $variables[] = self::column(
                $name,
                $recognised[$i],
                $shown,
                $samples[$i],
                $commaMark,
                // Decisions about single columns name the columns of the file; a new shape has others.
                $reshape->isPlain() ? $decisions->column($i) : new ColumnDecision(),
                $decisions->missing,
                !$reshape->isPlain() && $i === count($names) - 1,
            );
        }

        return $variables;
    }

    /**
     * @param list<string> $head
     * @param list<string> $spread
     *
     * @return array{list<string>, list<string>}
     */
    private static function sample(array $head, array $spread, Decisions $decisions, bool $isFilledDown): array
    {
        $head = self::withoutMarks($head, $decisions->missing);

        // Elsewhere in the file nobody knows what stands above.
        return $isFilledDown ? [PackColumns::filledDown($head, '')[0], []] : [$head, self::withoutMarks($spread, $decisions->missing)];
    }

    /** @param list<string> $cells */
    private static function areNumbers(array $cells): bool
    {
        return array_filter($cells, static fn(string $cell): bool => !NumberText::isBlank($cell) && NumberText::parse($cell) === null) === [];
    }

    /**
     * @param list<list<string>> $rows
     *
     * @return list<list<string>>
     */
    private static function rowsThatCount(array $rows, CsvFile $file): array
    {
        return $file->leaveOut === [] ? $rows : array_values(array_filter($rows, static fn(array $row): bool => !$file->leavesOut($row)));
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
     * @param array{list<string>, list<string>} $sample  cells from the head and from elsewhere
     * @param list<string>                      $missing
     * @param bool                              $isMade  whether it was put together of several columns: then it holds values and no ids
     */
    private static function column(VariableName $name, RecognisedType $recognised, ShownByTable $shown, array $sample, bool $commaMark, ColumnDecision $decision, array $missing, bool $isMade): RecognisedVariable
    {
        $type = $decision->type ?? ($isMade && self::areNumbers($sample[0]) ? VariableType::Number : $recognised->type);
        $style = $recognised->style;
        $cells = [...$sample[0], ...$sample[1]];
        $inDoubt = null;
        $isOpen = $shown->decimalMark === null ? $commaMark : $style->decimalMark !== $shown->decimalMark;
        if ($type === VariableType::Number && ($isOpen || $recognised->type !== VariableType::Number)) {
            $filled = array_values(array_filter($cells, static fn(string $cell): bool => !NumberText::isBlank($cell) && !MissingMarks::isKnown($cell)));
            $style = $recognised->type === VariableType::Number ? $style : NumberStyle::recognise($filled, $commaMark);
            $isAsked = $shown->decimalMark === null && $isOpen && $decision->decimalMark === null && $decision->groupMark === null;
            $inDoubt = $isAsked && $style->withThousands($filled) !== null ? $style->marked($filled) : null;
            $style = $shown->decimalMark === null ? $style : $style->beside($filled, $shown->decimalMark);
        }
        $labels = $type === VariableType::Category ? array_values(array_unique(array_filter($cells, static fn(string $cell): bool => !NumberText::isBlank($cell)))) : [];
        if (ClassLabels::areClasses($labels)) {
            $style = new NumberStyle(ClassLabels::decimalMark($labels, $shown->decimalMark));
            $inDoubt = $decision->decimalMark === null && $commaMark ? ClassLabels::open($labels, $shown->decimalMark) : null;
        }
        $dateOrder = $type === VariableType::Date ? $decision->dateOrder ?? $recognised->dateOrder : null;
        if ($dateOrder !== null && $decision->dateOrder === null && $dateOrder !== DateText::YearFirst && !$dateOrder->isShownBy($cells)) {
            $dateOrder = $shown->dateOrder ?? $dateOrder;
            $inDoubt = $shown->dateOrder === null ? $dateOrder->readTwoWays($cells) : null;
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
                $decision->negatives ?? $style->negatives,
            ),
            $dateOrder,
            $decision->isTaken,
            $decision->order ?? [],
            $decision->label,
            $decision->description,
            $missing,
            $inDoubt,
            $decision->isFilledDown,
            count(array_flip($cells)),
        );
    }
}
