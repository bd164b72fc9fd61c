<?php

declare(strict_types=1);

namespace App\Export;

use App\Models\Dataset;
use App\Models\Variable;
use App\Store\ReadRows;
use App\Store\RowsQuestion;
use App\Store\RowViews;
use App\Store\StoredColumns;
use App\Store\Underway;
use Generator;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Values\Packed;

/** A dataset as a file: all of it as it was entered, or what a view leaves, in its order. */
final readonly class ExportDataset
{
    /** So many rows of a view are looked up one by one; of more, all chunks are read once. */
    private const FEW_ROWS = 4000;
    private const PLACES_AT_ONCE = 100_000;
    private const WRITING = 'Writing the file';

    public function __construct(private ReadRows $readRows, private RowViews $views) {}

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
            match (true) {
                $isPlain => $this->chunks($dataset, $variables, self::WRITING),
                $first->total <= self::FEW_ROWS => $this->windows($dataset, $question),
                default => $this->inOrder($dataset, $question, $variables, $first->total),
            },
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
    private function chunks(Dataset $dataset, array $variables, string $what): Generator
    {
        $layout = StoredColumns::layout($variables[0]->id, $dataset->revision);
        foreach (Underway::through($what, $layout, count($layout)) as $chunk => $rows) {
            $cells = $unread = [];
            foreach ($variables as $variable) {
                $encoded = StoredColumns::encoded($variable, $dataset->revision, $chunk)[$chunk];
                $cells[] = ColumnCells::of($encoded, $variable->dictionary, $variable->decimals);
                $unread[] = array_fill_keys(array_keys($encoded->unread), true);
            }
            yield ['cells' => $cells, 'unread' => $unread, 'rows' => $rows];
        }
    }

    /**
     * @param list<Variable> $variables
     *
     * @return Generator<int, array{cells: list<list<string>>, unread: list<array<int, true>>, rows: int}>
     */
    private function inOrder(Dataset $dataset, RowsQuestion $question, array $variables, int $total): Generator
    {
        $places = $this->places($dataset, $question, $total);
        $ordered = new RowsInOrder();
        $before = 0;
        foreach ($this->chunks($dataset, $variables, 'Putting the rows in order') as $block) {
            $unread = [];
            foreach ($block['unread'] as $variable => $rows) {
                foreach (array_keys($rows) as $row) {
                    $unread[$row][] = $variable;
                }
            }
            foreach (array_values(Packed::integers("V{$block['rows']}", $places, 4 * $before)) as $row => $place) {
                if ($place > 0) {
                    $ordered->add($place - 1, array_column($block['cells'], $row), $unread[$row] ?? []);
                }
            }
            $before += $block['rows'];
        }
        yield from Underway::through(self::WRITING, $ordered->blocks(count($variables)), $ordered->bands());
    }

    /** @return string of each row of the dataset its place in the view from 1, four bytes; 0 = it is not in it */
    private function places(Dataset $dataset, RowsQuestion $question, int $total): string
    {
        $places = str_repeat("\0", 4 * $dataset->rows);
        for ($from = 0; $from < $total; $from += self::PLACES_AT_ONCE) {
            foreach ($this->views->part($dataset, $question, $from, self::PLACES_AT_ONCE)['rows'] as $i => $row) {
                $place = pack('V', $from + $i + 1);
                // Byte by byte, in place: put together anew it would be copied each time.
                $places[4 * $row] = $place[0];
                $places[4 * $row + 1] = $place[1];
                $places[4 * $row + 2] = $place[2];
                $places[4 * $row + 3] = $place[3];
            }
        }

        return $places;
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
