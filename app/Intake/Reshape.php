<?php

declare(strict_types=1);

namespace App\Intake;

use Generator;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Parsing\ClassLabel;
use RowTally\Core\Parsing\NumberText;
use RowTally\Core\Parsing\VariableName;

/**
 * Turns a table whose columns are really one variable into one that has it as such.
 *
 * Block: rows × columns of cells become one list of values, row by row; cells without an entry are no values.
 * Stack: the columns named become two variables, the value and the column it came from; each row turns into one row a
 * stacked column, in which the other columns repeat.
 * Limits: the two columns named, lower and upper, become the labels of classes; a cell without an entry is an open side.
 */
final readonly class Reshape
{
    private const VALUE = 'Value';
    private const FROM = 'From column';

    /**
     * @param list<VariableName> $names   of the table as it stands
     * @param list<int>          $stacked places of the columns that are one variable
     * @param list<int>          $kept    places of the columns that repeat
     */
    private function __construct(
        private TableLayout $shape,
        private array $names,
        private array $stacked,
        private array $kept,
        private string $valueName,
    ) {}

    /** @param list<VariableName> $names */
    public static function of(array $names, Decisions $decisions): self
    {
        $places = array_keys($names);
        $taken = array_values(array_filter($places, static fn(int $place): bool => $decisions->column($place)->isTaken));
        $stacked = match ($decisions->shape) {
            TableLayout::Columns => [],
            TableLayout::Block => $taken,
            TableLayout::Stack => array_values(array_intersect($taken, $decisions->stacked)),
            TableLayout::Limits => count(array_intersect($decisions->stacked, $taken)) === 2 ? $decisions->stacked : [],
        };
        $shape = $stacked === [] ? TableLayout::Columns : $decisions->shape;

        return new self(
            $shape,
            $names,
            $stacked,
            match ($shape) {
                TableLayout::Columns => $places,
                TableLayout::Block => [],
                TableLayout::Stack, TableLayout::Limits => array_values(array_diff($taken, $stacked)),
            },
            $decisions->valueName ?? ($shape === TableLayout::Limits ? "{$names[$stacked[0]]->name} to {$names[$stacked[1]]->name}" : self::VALUE),
        );
    }

    public function isPlain(): bool
    {
        return $this->shape === TableLayout::Columns;
    }

    /** @return list<VariableName> */
    public function names(): array
    {
        $kept = array_map(fn(int $place): VariableName => $this->names[$place], $this->kept);
        $made = match ($this->shape) {
            TableLayout::Columns => [],
            TableLayout::Block, TableLayout::Limits => [VariableName::of($this->valueName)],
            TableLayout::Stack => [VariableName::of(self::FROM), VariableName::of($this->valueName)],
        };

        return [...$kept, ...$made];
    }

    /**
     * @param list<list<string>> $rows
     *
     * @return list<list<string>>
     */
    public function rows(array $rows): array
    {
        if ($this->isPlain()) {
            return $rows;
        }
        $made = [];
        foreach ($rows as $row) {
            if ($this->shape === TableLayout::Limits) {
                $made[] = [...array_map(static fn(int $kept): string => $row[$kept], $this->kept), ClassLabel::text($row[$this->stacked[0]], $row[$this->stacked[1]])];
                continue;
            }
            foreach ($this->stacked as $place) {
                if ($this->shape === TableLayout::Stack) {
                    $made[] = [...array_map(static fn(int $kept): string => $row[$kept], $this->kept), $this->names[$place]->name, $row[$place]];
                } elseif (!NumberText::isBlank($row[$place])) {
                    $made[] = [$row[$place]];
                }
            }
        }

        return $made;
    }

    /**
     * The rows of a table in its new shape.
     *
     * @param iterable<int, array<int, list<string>>> $batches cells by column, of all columns
     *
     * @return Generator<int, array{list<list<string>>, bool}> cells by column, and that a chunk ends with them: Chunk::ROWS rows each but the last
     */
    public function pieces(iterable $batches): Generator
    {
        $rest = [];
        foreach ($batches as $batch) {
            $rows = count($batch) === 1 ? array_map(static fn(string $cell): array => [$cell], $batch[0]) : array_map(null, ...array_values($batch));
            $rest = [...$rest, ...$this->rows($rows)];
            while (count($rest) >= Chunk::ROWS) {
                yield [$this->byColumn(array_slice($rest, 0, Chunk::ROWS)), true];
                $rest = array_slice($rest, Chunk::ROWS);
            }
        }
        if ($rest !== []) {
            yield [$this->byColumn($rest), true];
        }
    }

    /**
     * @param list<list<string>> $rows
     *
     * @return list<list<string>>
     */
    private function byColumn(array $rows): array
    {
        return array_map(static fn(int $column): array => array_column($rows, $column), array_keys($this->names()));
    }
}
