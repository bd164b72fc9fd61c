<?php

declare(strict_types=1);

namespace App\Report\Blocks;

use App\Models\Dataset;
use App\Report\Document\Block;
use App\Report\PaperTable;
use App\Report\Record\StatedFigure;
use App\Store\AskedWords;
use App\Store\ProfileAnswer;
use App\Store\ProfileVariables;
use App\Store\UnknownVariable;
use App\Store\VariableSheet;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Profile\RowGrouping;

/** The table of figures of one or more numbers, overall and by group, rounded as the basis says. */
final readonly class FiguresBlock implements MakesBlock
{
    public function __construct(private ProfileVariables $profile) {}

    public function make(Dataset $dataset, Block $block, AskedWords $asked): MadeBlock
    {
        $question = $asked->question($dataset);
        if ($question->of === []) {
            throw UnknownVariable::refused('This table is of no variable. Tick one.');
        }
        $answer = $this->profile->overview($dataset, $question);
        foreach ($answer->sheets as $sheet) {
            if ($sheet->variable->type !== VariableType::Number) {
                throw UnknownVariable::hasNoFigures($sheet->variable->name);
            }
        }
        $notes = [];
        $table = count($answer->sheets) > 1 && $answer->groups === [] ? self::beside($answer, $asked, $notes) : self::below($answer, $asked, $notes);

        return new MadeBlock(self::counted($dataset, $answer->rows) . ' ' . $question->basis->words() . Notes::of($notes), [$table]);
    }

    /** Of how many rows. */
    public static function counted(Dataset $dataset, int $rows): string
    {
        return 'Of ' . NumberMarks::count($rows) . ' ' . ($rows === 1 ? $dataset->rowWord()->one : $dataset->rowWord()->many) . '.';
    }

    /**
     * Variables beside one another, a figure a row.
     *
     * @param list<string> $notes
     */
    private static function beside(ProfileAnswer $answer, AskedWords $asked, array &$notes): PaperTable
    {
        $lines = new Lines(['', ...array_map(static fn(VariableSheet $sheet): string => $sheet->variable->nameWithUnit(), $answer->sheets)]);
        $told = [];
        foreach ($answer->sheets as $sheet) {
            $told[] = self::cells($answer, $sheet, $asked, $notes);
        }
        foreach (array_keys($told[0] ?? []) as $row) {
            $lines->cell($told[0][$row][0] ?? '');
            foreach ($told as $own) {
                $lines->cell(...$own[$row][1][0]);
            }
            $lines->end();
        }

        return $lines->table();
    }

    /**
     * Overall and groups beside one another, a figure of a variable a row.
     *
     * @param list<string> $notes
     */
    private static function below(ProfileAnswer $answer, AskedWords $asked, array &$notes): PaperTable
    {
        $isOne = count($answer->sheets) === 1;
        $lines = new Lines([$isOne ? $answer->sheets[0]->variable->nameWithUnit() : '', 'Overall', ...array_map(RowGrouping::name(...), $answer->groups)]);
        foreach ($answer->sheets as $sheet) {
            foreach (self::cells($answer, $sheet, $asked, $notes) as [$name, $columns]) {
                $lines->cell($isOne ? $name : "{$sheet->variable->nameWithUnit()}: {$name}");
                foreach ($columns as [$text, $figure]) {
                    $lines->cell($text, $figure);
                }
                $lines->end();
            }
        }

        return $lines->table();
    }

    /**
     * @param list<string> $notes what has no value, and why
     *
     * @return list<array{string, list<array{string, StatedFigure|null}>}> a figure each: its name, and overall and by group what is shown
     */
    public static function cells(ProfileAnswer $answer, VariableSheet $sheet, AskedWords $asked, array &$notes): array
    {
        $basis = $answer->question->basis;
        $display = new FigureText($basis, $sheet->variable->shown_decimals ?? $sheet->variable->decimals, $sheet->countDecimals);
        $address = $asked->addressOf($sheet->variable->key);
        $lines = [];
        foreach ($sheet->rows as ['statistic' => $statistic, 'figures' => $figures]) {
            $columns = [];
            foreach ($figures as $column => $figure) {
                $text = $display->of($statistic, $figure);
                $group = $column === 0 ? null : $answer->groups[$column - 1];
                if ($text === null) {
                    $notes[] = "{$statistic->label()} {$figure->reason?->value}";
                    $columns[] = ['–', null];
                } else {
                    $name = "{$statistic->label()} of {$sheet->variable->nameWithUnit()}" . ($group === null ? '' : ', ' . RowGrouping::name($group));
                    $columns[] = [$text, new StatedFigure($address, $statistic->key(), $group, $name, $figure->value, $text)];
                }
            }
            $symbol = $statistic->symbol($basis->takenAs);
            $lines[] = [$symbol === '' ? $statistic->label() : "{$statistic->label()} {$symbol}", $columns];
        }

        return $lines;
    }
}
