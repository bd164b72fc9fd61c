<?php

declare(strict_types=1);

namespace App\Export;

use App\Models\Dataset;
use App\Models\Variable;
use App\Store\ReadRows;
use App\Store\RowsQuestion;
use App\Store\StoredColumns;
use Generator;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Parsing\VariableType;

/** A dataset as a file: all of it as it was entered, or what a view leaves, in its order. */
final readonly class ExportDataset
{
    public function __construct(private ReadRows $readRows) {}

    public function table(Dataset $dataset, RowsQuestion $question): ExportedTable
    {
        $first = $this->readRows->window($dataset, $question->from(0, 1));
        $isPlain = $question->where === null && $question->sort === null;
        $aside = $dataset->aside();
        // Rows set aside stay in the data, with their reason in a column of its own.
        $variables = [...$first->variables, ...($aside === null ? [] : [$aside])];

        return new ExportedTable(
            $dataset->title,
            $dataset->description,
            $dataset->source,
            array_map(self::variable(...), $variables),
            $first->total,
            $isPlain ? $this->chunks($dataset, $variables) : $this->windows($dataset, $question),
        );
    }

    private static function variable(Variable $variable): ExportedVariable
    {
        return new ExportedVariable(
            $variable->name,
            $variable->type,
            $variable->unit,
            $variable->label,
            $variable->description,
            $variable->missing_marks,
            $variable->type === VariableType::Category ? $variable->dictionary : null,
            $variable->made['formula'] ?? null,
        );
    }

    /**
     * @param list<Variable> $variables
     *
     * @return Generator<int, array{cells: list<list<string>>, unread: list<array<int, true>>, rows: int}>
     */
    private function chunks(Dataset $dataset, array $variables): Generator
    {
        foreach (StoredColumns::layout($variables[0]->id, $dataset->revision) as $chunk => $rows) {
            $cells = $unread = [];
            foreach ($variables as $variable) {
                $encoded = StoredColumns::encoded($variable, $dataset->revision, $chunk)[$chunk];
                $cells[] = ColumnCells::of($encoded, $variable->dictionary, $variable->decimals);
                $unread[] = array_fill_keys(array_keys($encoded->unread), true);
            }
            yield ['cells' => $cells, 'unread' => $unread, 'rows' => $rows];
        }
    }

    /** @return Generator<int, array{cells: list<list<string>>, unread: list<array<int, true>>, rows: int}> */
    private function windows(Dataset $dataset, RowsQuestion $question): Generator
    {
        $from = 0;
        do {
            $answer = $this->readRows->window($dataset, $question->from($from, ReadRows::MOST_ROWS));
            $from += count($answer->rows);
            if ($answer->rows !== []) {
                $reasons = $dataset->set_aside === 0 ? [] : [array_map(static fn(int $place): string => $answer->aside[$place] ?? '', array_keys($answer->rows))];
                yield [
                    'cells' => [...array_values($answer->cells), ...$reasons],
                    'unread' => [...array_values(array_map(static fn(array $places): array => array_fill_keys($places, true), $answer->unread)), ...array_map(static fn(): array => [], $reasons)],
                    'rows' => count($answer->rows),
                ];
            }
        } while ($from < $answer->total && $answer->rows !== []);
    }
}
