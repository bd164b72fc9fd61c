<?php

declare(strict_types=1);

namespace App\Console;

use App\Intake\ColumnSink;
use App\Intake\ReadVariable;
use App\Intake\TableReading;
use LogicException;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Formula\Kind;
use RowTally\Core\Formula\Names;
use RowTally\Core\Formula\Rows;
use RowTally\Core\Formula\Table;
use RowTally\Core\Formula\TableRows;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\VariableType;

/** The columns of a file, held in memory. */
final class FileColumns implements ColumnSink, Table
{
    /** @var array<int, list<Chunk>> */
    private array $chunks = [];
    private ?TableReading $reading = null;

    /** @param list<string> $sheets of the workbook, and which of them was read */
    public function __construct(private readonly array $sheets = [], private readonly ?string $sheet = null) {}

    /** @return list<string> what somebody should know of the reading */
    public function remarks(): array
    {
        return array_map((new NumberMarks())->read(...), $this->reading()->notes);
    }

    /** @return array<string, mixed> the same for scripts */
    public function readAs(): array
    {
        return [
            'sheet' => $this->sheet,
            'sheets' => $this->sheets,
            'unread' => array_values(array_map(
                static fn(ReadVariable $variable): array => ['variable' => $variable->name, 'cells' => $variable->unread],
                array_filter($this->variables(), static fn(ReadVariable $variable): bool => $variable->unread > 0),
            )),
            'remarks' => $this->remarks(),
        ];
    }

    public function begin(array $variables): void {}

    public function write(int $number, array $columns): void
    {
        foreach ($columns as $i => $column) {
            $this->chunks[$i][] = $column->chunk;
        }
    }

    public function finish(TableReading $reading): void
    {
        $this->reading = $reading;
    }

    public function rowCount(): int
    {
        return $this->reading()->rows;
    }

    /** @return list<ReadVariable> */
    public function variables(): array
    {
        return $this->reading()->variables;
    }

    public function variable(string $name): ReadVariable
    {
        return $this->variables()[$this->index($name)];
    }

    public function layout(): array
    {
        return array_map(static fn(Chunk $chunk): int => $chunk->rows, $this->chunks[0] ?? []);
    }

    public function type(string $name): VariableType
    {
        return $this->variable($name)->type;
    }

    public function dictionary(string $name): array
    {
        return $this->variable($name)->dictionary;
    }

    public function chunks(string $name): array
    {
        return $this->chunks[$this->index($name)] ?? [];
    }

    public function number(string $name): NumberColumn
    {
        $variable = $this->variable($name);
        if ($variable->type !== VariableType::Number) {
            throw NotUnderstood::noCounts($name, $variable->type->value);
        }

        return new NumberColumn($variable->decimals, $variable->dictionary, $this->chunks($name));
    }

    /** A file has no rows set aside. */
    public function aside(): ?array
    {
        return null;
    }

    public function names(): Names
    {
        $names = [];
        foreach ($this->variables() as $variable) {
            $isNumber = $variable->type === VariableType::Number;
            $names[$variable->name] = ['kind' => $isNumber ? Kind::Number : Kind::Text, 'decimals' => $isNumber ? $variable->decimals : null];
        }

        return new Names($names);
    }

    public function rows(int $chunk): Rows
    {
        return new TableRows($this, $chunk);
    }

    private function index(string $name): int
    {
        $names = array_map(static fn(ReadVariable $variable): string => $variable->name, $this->variables());
        $index = array_search($name, $names, true);
        if ($index === false) {
            // As the header has it, with its unit.
            $index = array_search($name, array_map(static fn(ReadVariable $variable): string => "{$variable->name} ({$variable->unit})", $this->variables()), true);
        }

        return is_int($index) ? $index : throw new UnusableRequest("The file has no variable \"{$name}\". It has: " . implode(', ', $names) . '.');
    }

    private function reading(): TableReading
    {
        return $this->reading ?? throw new LogicException('The file has not been read to its end.');
    }
}
