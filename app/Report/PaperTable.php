<?php

declare(strict_types=1);

namespace App\Report;

use App\Report\Record\StatedFigure;

/** A table of a report: its cells as they are shown, and the figures that stand in them. */
final readonly class PaperTable
{
    /** A sign and digits, a point and digits behind it, a percent sign. */
    private const NUMBER = '/^([+−-]?\d[\d,]*)(\.\d+|)( ?%|)$/u';
    /** So many characters stand beside one another across a page. */
    private const MOST_ACROSS = 92;
    private const BETWEEN_COLUMNS = 2;
    private const SHORT = 32;

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
        // As many parts as it takes, and each about as wide as the others: no last column stands alone.
        $room = max(1, self::MOST_ACROSS - $widths[0]);
        $others = array_slice($widths, 1, preserve_keys: true);
        $even = (int) ceil(array_sum($others) / ceil(array_sum($others) / $room));
        $parts = [];
        $columns = [];
        $used = 0;
        foreach ($others as $column => $width) {
            if ($columns !== [] && ($used + $width > $room || $used >= $even)) {
                $parts[] = $this->of([0, ...$columns]);
                $columns = [];
                $used = 0;
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

    /** A cell as HTML: signs with a bar or a tilde over them are set in a face that has both as one. */
    public function html(int $row, int $column): string
    {
        return (string) preg_replace('/x[\x{0304}\x{0303}]/u', '<span class="sign">$0</span>', e($this->cells[$row][$column] ?? ''));
    }

    /**
     * The class of each cell: of words, or the room that a number leaves on its right so that points stand below one another; '' = neither.
     *
     * @return list<list<string>> by row and column
     */
    public function looks(): array
    {
        $columns = array_keys($this->cells[0] ?? []);
        $areText = array_map($this->isText(...), $columns);
        $most = array_map($this->decimals(...), $columns);

        return array_map(static fn(array $row, int $at): array => array_map(static fn(string $cell, int $column): string => match (true) {
            $areText[$column] ?? false => 'text',
            $at === 0 || ($most[$column] ?? 0) === 0 => '',
            default => self::look($cell, $most[$column]),
        }, $row, array_keys($row)), $this->cells, array_keys($this->cells));
    }

    private static function look(string $cell, int $most): string
    {
        if (preg_match(self::NUMBER, $cell, $parts) !== 1 || $parts[3] !== '') {
            return '';
        }
        $own = max(0, strlen($parts[2]) - 1);

        return $own >= $most ? '' : ($own === 0 ? 'p' : 'k') . ($most - $own);
    }

    /** The most decimals that a number of a column has, up to 9; 0 where all have as many. */
    private function decimals(int $column): int
    {
        $found = [];
        foreach (array_slice($this->cells, 1) as $row) {
            if ($column > 0 && preg_match(self::NUMBER, $row[$column] ?? '', $parts) === 1) {
                $found[] = max(0, strlen($parts[2]) - 1);
            }
        }

        return $found === [] || min($found) === max($found) ? 0 : min(9, max($found));
    }

    /** Whether a column is of words and stands on the left: one in which more cells below the head are words than numbers. */
    public function isText(int $column): bool
    {
        $words = $numbers = 0;
        foreach (array_slice($this->cells, 1) as $row) {
            $cell = $row[$column] ?? '';
            if ($cell !== '' && $cell !== '–') {
                preg_match('/^[+−-]?[\d.,×⁰¹²³⁴⁵⁶⁷⁸⁹⁻ ]+ ?%?$/u', $cell) === 1 ? ++$numbers : ++$words;
            }
        }

        return $words > $numbers;
    }

    /** Whether it is never cut: a page holds it. */
    public function isShort(): bool
    {
        return count($this->cells) <= self::SHORT;
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
