<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Formula\FormulaError;

/**
 * Windows of rows, as the grid shows them.
 *
 * Cost  O(window × variables) and the chunks it lies in; the first window of a new filter or order reads the columns once.
 */
final readonly class ReadRows
{
    public const MOST_ROWS = 1000;
    private const CHUNKS_AT_ONCE = 512;
    /** So many rows of a view are looked at before all of them. */
    private const NEAR = 60;

    public function __construct(private RowViews $views) {}

    /**
     * @throws FormulaError
     * @throws UnknownVariable
     */
    public function window(Dataset $dataset, RowsQuestion $question): RowsAnswer
    {
        $variables = $this->variables($dataset, $question->of);
        ['total' => $total, 'rows' => $rows] = $this->views->part($dataset, $question, $question->from, min($question->count, self::MOST_ROWS));

        return $this->answer($dataset, $variables, $rows, $total, max(0, min($question->from, $total)));
    }

    /**
     * Rows that are named one by one, in that order.
     *
     * @param list<int>    $rows from 1
     * @param list<string> $of   keys of variables; none = all
     *
     * @throws UnknownVariable
     */
    public function these(Dataset $dataset, array $rows, array $of = []): RowsAnswer
    {
        return $this->answer($dataset, $this->variables($dataset, $of), array_map(static fn(int $row): int => $row - 1, $rows), count($rows), 0);
    }

    /**
     * @param list<Variable> $variables
     * @param list<int>      $rows      from 0
     */
    private function answer(Dataset $dataset, array $variables, array $rows, int $total, int $from): RowsAnswer
    {
        $places = $this->places($rows, self::layout($dataset, $variables));
        $cells = $unread = [];
        $aside = $dataset->aside();
        $read = [...$variables, ...($aside === null ? [] : [$aside])];
        $ids = array_map(static fn(Variable $variable): int => $variable->id, $read);
        $dictionaries = array_map(static fn(Variable $variable): array => $variable->dictionary, $read);
        $columns = array_fill(0, count($read), [array_fill(0, count($rows), ''), []]);
        // Rows of a view lie far apart: of very many chunks only some are held at once.
        foreach ($read === [] ? [] : array_chunk($places, max(1, intdiv(self::CHUNKS_AT_ONCE, count($read))), true) as $some) {
            $chunks = StoredColumns::window($ids, $dataset->revision, array_keys($some));
            foreach ($read as $i => $variable) {
                [$texts, $odd] = $this->column($variable, $dictionaries[$i], $chunks[$variable->id] ?? [], $some);
                $columns[$i] = [array_replace($columns[$i][0], $texts), [...$columns[$i][1], ...$odd]];
            }
        }
        foreach ($variables as $i => $variable) {
            [$cells[$variable->key], $unread[$variable->key]] = [array_values($columns[$i][0]), $columns[$i][1]];
        }
        $reasons = $aside === null ? [] : array_filter($columns[count($variables)][0], static fn(string $reason): bool => $reason !== '');

        return new RowsAnswer($dataset->revision, $total, $from, array_map(static fn(int $row): int => $row + 1, $rows), $cells, $unread, $variables, $reasons);
    }

    /**
     * The first row at or behind a place of the view in which a text stands, ignoring case.
     *
     * Cost  O(cells) at worst; see FindCell.
     *
     * @return int|null place in the view, from 0
     */
    public function find(Dataset $dataset, RowsQuestion $question, string $text): ?int
    {
        $variables = $this->variables($dataset, $question->of);
        $find = new FindCell($variables, $dataset->revision, $text);
        $layout = self::layout($dataset, $variables);
        if ($question->isEveryRow()) {
            foreach ($find->rows($layout, max(0, $question->from)) as $row) {
                return $row;
            }

            return null;
        }

        // What stands often is found where one is; only what does not is looked for in all rows.
        $near = $this->views->part($dataset, $question, $question->from, self::NEAR)['rows'];
        $found = null;
        foreach ($near === [] ? [] : $this->answer($dataset, $variables, $near, 0, 0)->cells as $column) {
            foreach ($column as $i => $cell) {
                if (str_contains(mb_strtolower($cell), mb_strtolower($text))) {
                    $found = min($found ?? $i, $i);
                    break;
                }
            }
        }

        return $found !== null ? max(0, $question->from) + $found : $this->views->firstOf($dataset, $question, max(0, $question->from) + count($near), static fn(): iterable => $find->rows($layout, 0));
    }

    /**
     * @param list<string> $keys
     *
     * @return list<Variable>
     */
    private function variables(Dataset $dataset, array $keys): array
    {
        if ($keys === []) {
            return array_values($dataset->variables->all());
        }
        $byKey = $dataset->variables->keyBy('key');

        return array_map(static fn(string $key): Variable => $byKey->get($key) ?? throw UnknownVariable::named($key), $keys);
    }

    /**
     * @param list<Variable> $variables
     *
     * @return list<int> rows of each chunk
     */
    private static function layout(Dataset $dataset, array $variables): array
    {
        if ($variables === []) {
            return [];
        }
        if (!$dataset->is_even) {
            return StoredColumns::layout($variables[0]->id, $dataset->revision);
        }
        $rest = $dataset->rows % Chunk::ROWS;

        return [...array_fill(0, intdiv($dataset->rows, Chunk::ROWS), Chunk::ROWS), ...($rest === 0 ? [] : [$rest])];
    }

    /**
     * @param list<int> $rows   from 0
     * @param list<int> $layout rows of each chunk
     *
     * @return array<int, array<int, int>> chunk => place in the window => place in the chunk
     */
    private function places(array $rows, array $layout): array
    {
        $starts = [];
        $before = 0;
        foreach ($layout as $count) {
            $starts[] = $before;
            $before += $count;
        }
        $places = [];
        foreach ($rows as $i => $row) {
            $low = 0;
            $high = count($starts) - 1;
            while ($low < $high) {
                $middle = ($low + $high + 1) >> 1;
                if ($starts[$middle] <= $row) {
                    $low = $middle;
                } else {
                    $high = $middle - 1;
                }
            }
            $places[$low][$i] = $row - $starts[$low];
        }

        return $places;
    }

    /**
     * @param list<string>                $dictionary
     * @param array<int, EncodedCells>    $chunks
     * @param array<int, array<int, int>> $places
     *
     * @return array{array<int, string>, list<int>} by place in the window
     */
    private function column(Variable $variable, array $dictionary, array $chunks, array $places): array
    {
        $cells = $unread = [];
        foreach ($places as $chunk => $inChunk) {
            $encoded = $chunks[$chunk];
            foreach ($this->texts($encoded, $dictionary, $variable->decimals, $inChunk) as $i => $text) {
                $cells[$i] = $text;
                if (isset($encoded->unread[$inChunk[$i]])) {
                    $unread[] = $i;
                }
            }
        }

        return [$cells, $unread];
    }

    /**
     * @param list<string>    $dictionary
     * @param array<int, int> $inChunk    place in the window => place in the chunk
     *
     * @return array<int, string> by place in the window
     */
    private function texts(EncodedCells $encoded, array $dictionary, ?int $decimals, array $inChunk): array
    {
        $first = min($inChunk === [] ? [0] : $inChunk);
        $last = max($inChunk === [] ? [0] : $inChunk);
        // A window of neighbours is cut out at once; rows far apart one by one.
        if ($last - $first < 4 * count($inChunk)) {
            $texts = ColumnCells::of($encoded, $dictionary, $decimals, $first, $last - $first + 1);

            return array_map(static fn(int $place): string => $texts[$place - $first], $inChunk);
        }

        return array_map(static fn(int $place): string => ColumnCells::of($encoded, $dictionary, $decimals, $place, 1)[0], $inChunk);
    }
}
