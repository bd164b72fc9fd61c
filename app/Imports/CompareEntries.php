<?php

declare(strict_types=1);

namespace App\Imports;

use App\Intake\Csv\CsvFile;
use App\Intake\Csv\CsvRows;
use App\Intake\Decisions;
use App\Intake\NotATable;
use App\Intake\PlainCells;
use App\Intake\PreparedTable;
use App\Intake\RecogniseColumns;
use App\Intake\RecognisedVariable;
use App\Models\Dataset;
use App\Models\Variable;
use App\Store\ReadRows;
use App\Store\RowsQuestion;
use RowTally\Core\Parsing\NumberText;
use RowTally\Core\Parsing\VariableType;

/** The entries of a dataset beside those of a second file or a second typing, row by row: which cells differ. */
final readonly class CompareEntries
{
    private const SHOWN = 200;

    public function __construct(private ReadRows $readRows) {}

    /**
     * Columns are matched by name or, where there is one on either side, as they are.
     *
     * @return array{rows_here: int, rows_there: int, variables: list<string>, differing: int, first: list<array{row: int, variable: string, name: string, here: string, there: string}>}
     *
     * @throws NotATable when the second one is no table, or none of its columns is known
     */
    public function with(Dataset $dataset, string $path, string $name): array
    {
        $table = PreparedTable::of($path, $name, new Decisions());
        $file = CsvFile::open($table->path, $table->decisions);
        $columns = RecogniseColumns::of($file, $table->decisions);
        $matched = $this->matched($dataset, $columns);
        if ($matched === []) {
            throw NotATable::noColumnKnown(array_values($dataset->variables->map(static fn(Variable $variable): string => $variable->name)->all()));
        }
        $cells = new PlainCells($table->decisions->missing);
        $there = $differing = 0;
        $first = [];
        foreach ((new CsvRows($file))->batches() as $batch) {
            $rows = count($batch[0]);
            for ($from = 0; $from < $rows; $from += ReadRows::MOST_ROWS) {
                $here = $this->readRows->window($dataset, new RowsQuestion(array_values(array_map(static fn(Variable $variable): string => $variable->key, $matched)), from: $there + $from, count: ReadRows::MOST_ROWS));
                foreach ($matched as $place => $variable) {
                    $theirs = array_slice($cells->of($batch[$place], $columns[$place]), $from, ReadRows::MOST_ROWS);
                    foreach (array_slice($here->cells[$variable->key], 0, count($theirs)) as $i => $cell) {
                        if (!self::areSame($cell, $theirs[$i], $variable, $columns[$place]->style->decimalMark)) {
                            ++$differing;
                            $first[] = ['row' => $here->rows[$i], 'variable' => $variable->key, 'name' => $variable->name, 'here' => $cell, 'there' => $theirs[$i]];
                        }
                    }
                }
                usort($first, static fn(array $a, array $b): int => $a['row'] <=> $b['row']);
                $first = array_slice($first, 0, self::SHOWN);
            }
            $there += $rows;
        }

        return [
            'rows_here' => $dataset->rows,
            'rows_there' => $there,
            'variables' => array_values(array_map(static fn(Variable $variable): string => $variable->name, $matched)),
            'differing' => $differing,
            'first' => $first,
        ];
    }

    /**
     * @param list<RecognisedVariable> $columns
     *
     * @return array<int, Variable> by place in the second table
     */
    private function matched(Dataset $dataset, array $columns): array
    {
        $byName = $dataset->variables->keyBy(static fn(Variable $variable): string => mb_strtolower($variable->name));
        $matched = [];
        foreach ($columns as $place => $column) {
            $variable = $byName->get(mb_strtolower($column->name));
            if ($variable !== null) {
                $matched[$place] = $variable;
            }
        }
        $only = $dataset->variables->first();

        return $matched === [] && count($columns) === 1 && $dataset->variables->count() === 1 && $only !== null ? [0 => $only] : $matched;
    }

    /** @param '.'|',' $mark */
    private static function areSame(string $here, string $there, Variable $variable, string $mark): bool
    {
        if (trim($here) === trim($there)) {
            return true;
        }
        if ($variable->type !== VariableType::Number) {
            return false;
        }
        $a = NumberText::parse($here);
        $b = NumberText::parse($there, $mark);
        if (is_array($a) && is_array($b)) {
            // Whole numbers over the wider of the two scales.
            return $a[0] * 10 ** max(0, $b[1] - $a[1]) === $b[0] * 10 ** max(0, $a[1] - $b[1]);
        }

        return $a !== null && $a === $b;
    }
}
