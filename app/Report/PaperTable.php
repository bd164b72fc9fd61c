<?php

declare(strict_types=1);

namespace App\Report;

use App\Report\Record\StatedFigure;

/** A table of a report: its cells as they are shown, and the figures that stand in them. */
final readonly class PaperTable
{
    /** A sign and digits, a point and digits behind it, a percent sign. */
    private const NUMBER = '/^([+−-]?\d[\d,]*)(\.\d+)?( ?%)?$/u';
    /** So many characters stand beside one another across a page. */
    private const MOST_ACROSS = 100;
    private const BETWEEN_COLUMNS = 3;

    /**
     * @param list<list<string>>                   $cells   its first row the head
     * @param array<int, array<int, StatedFigure>> $figures by row and column of the cells
     */
    public function __construct(public array $cells, public array $figures = []) {}

    /**
     * As many of its columns as a page holds at a time, each part with the first column; itself where all of them do.
     *
     * @return non-empty-list<self>
     */
    public function parts(): array
    {
        $widths = array_map(fn(int $column): int => self::BETWEEN_COLUMNS + max(0, ...array_map(static fn(array $row): int => self::longest($row[$column] ?? ''), $this->cells)), array_keys($this->cells[0] ?? []));
        if (count($widths) < 3 || array_sum($widths) <= self::MOST_ACROSS) {
            return [$this];
        }
        $parts = [];
        $columns = [];
        $used = $widths[0];
        foreach (array_slice($widths, 1, preserve_keys: true) as $column => $width) {
            if ($columns !== [] && $used + $width > self::MOST_ACROSS) {
                $parts[] = $this->of([0, ...$columns]);
                $columns = [];
                $used = $widths[0];
            }
            $columns[] = $column;
            $used += $width;
        }

        return [...$parts, $this->of([0, ...$columns])];
    }

    /** Words may break, numbers do not. */
    private static function longest(string $cell): int
    {
        return max(array_map(static fn(string $word): int => mb_strlen($word), [...explode(' ', $cell), mb_substr($cell, 0, 24)]));
    }

    /** @param list<int> $columns */
    private function of(array $columns): self
    {
        $figures = [];
        foreach ($this->figures as $row => $own) {
            foreach ($columns as $place => $column) {
                if (isset($own[$column])) {
                    $figures[$row][$place] = $own[$column];
                }
            }
        }

        return new self(array_map(static fn(array $row): array => array_map(static fn(int $column): string => $row[$column] ?? '', $columns), $this->cells), $figures);
    }

    /**
     * A cell as HTML: points stand below one another, signs with a bar or a tilde over them are set in a face that has both as one.
     */
    public function html(int $row, int $column): string
    {
        $text = $this->cells[$row][$column] ?? '';
        $shown = (string) preg_replace('/x[\x{0304}\x{0303}]/u', '<span class="sign">$0</span>', e($text));
        $most = $this->decimals($column);
        if ($row === 0 || $most === 0 || preg_match(self::NUMBER, $text, $parts) !== 1) {
            return $shown;
        }

        return e($parts[1]) . "<span class=\"d{$most}\">" . e($parts[2] ?? '') . '</span>' . e($parts[3] ?? '');
    }

    /** The most decimals that a number of a column has, up to 9; 0 where all have as many. */
    private function decimals(int $column): int
    {
        $found = [];
        foreach (array_slice($this->cells, 1) as $row) {
            if ($column > 0 && preg_match(self::NUMBER, $row[$column] ?? '', $parts) === 1) {
                $found[] = max(0, strlen($parts[2] ?? '') - 1);
            }
        }

        return $found === [] || min($found) === max($found) ? 0 : min(9, max($found));
    }

    /** Whether a column is of words and stands on the left: one in which some cell below the head is no number. */
    public function isText(int $column): bool
    {
        foreach (array_slice($this->cells, 1) as $row) {
            $cell = $row[$column] ?? '';
            if ($cell !== '' && $cell !== '–' && preg_match('/^[+−-]?[\d.,×⁰¹²³⁴⁵⁶⁷⁸⁹⁻ ]+ ?%?$/u', $cell) !== 1) {
                return true;
            }
        }

        return false;
    }

    /** @return list<list<string>> for reckoning with: figures in full precision, everything else as it is shown */
    public function precise(): array
    {
        return array_map(fn(array $row, int $at): array => array_map(function (string $cell, int $column) use ($at): string {
            $value = ($this->figures[$at][$column] ?? null)?->value;

            return is_int($value) || is_float($value) ? json_encode($value, JSON_THROW_ON_ERROR) : $cell;
        }, $row, array_keys($row)), $this->cells, array_keys($this->cells));
    }

    /** @return list<StatedFigure> row by row */
    public function figures(): array
    {
        $found = [];
        foreach (array_keys($this->cells) as $row) {
            $own = $this->figures[$row] ?? [];
            ksort($own);
            array_push($found, ...array_values($own));
        }

        return $found;
    }

    /** @return array{cells: list<list<string>>, figures: list<array{row: int, column: int, figure: array<string, mixed>}>} */
    public function toArray(): array
    {
        $figures = [];
        foreach ($this->figures as $row => $own) {
            foreach ($own as $column => $figure) {
                $figures[] = ['row' => $row, 'column' => $column, 'figure' => $figure->toArray()];
            }
        }

        return ['cells' => $this->cells, 'figures' => $figures];
    }

    /** @param array{cells: list<list<string>>, figures: list<array{row: int, column: int, figure: array<string, mixed>}>} $table */
    public static function ofArray(array $table): self
    {
        $figures = [];
        foreach ($table['figures'] as ['row' => $row, 'column' => $column, 'figure' => $figure]) {
            $stated = StatedFigure::ofArray($figure);
            if ($stated !== null) {
                $figures[$row][$column] = $stated;
            }
        }

        return new self($table['cells'], $figures);
    }
}
