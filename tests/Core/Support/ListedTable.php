<?php

declare(strict_types=1);

namespace Tests\Core\Support;

use RowTally\Core\Columns\CategoryColumnBuilder;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Formula\Kind;
use RowTally\Core\Formula\Names;
use RowTally\Core\Formula\Rows;
use RowTally\Core\Formula\Table;
use RowTally\Core\Formula\TableRows;
use RowTally\Core\Parsing\VariableType;

/** A table written out in a test, packed as a file would be: columns of numbers, categories, or text with too many labels. */
final readonly class ListedTable implements Table
{
    /** @param array<string, array{type: VariableType, chunks: list<Chunk>, dictionary: list<string>, decimals: int|null}> $columns */
    private function __construct(private array $columns) {}

    /** @param array<string, list<string>> $cells by name */
    public static function of(array $cells): self
    {
        $columns = [];
        foreach ($cells as $name => $column) {
            $isNumber = array_filter($column, static fn(string $cell): bool => $cell !== '' && !is_numeric($cell)) === [];
            $builder = $isNumber ? new NumberColumnBuilder() : new CategoryColumnBuilder();
            $chunks = array_map(static fn(array $part): Chunk => $builder->add($part)->chunk, array_chunk($column, Chunk::ROWS));
            if ($builder instanceof NumberColumnBuilder) {
                $number = $builder->column($chunks);
                $columns[$name] = ['type' => VariableType::Number, 'chunks' => $chunks, 'dictionary' => $number->dictionary, 'decimals' => $number->decimals];
            } else {
                $columns[$name] = ['type' => $builder->becameText() ? VariableType::Text : VariableType::Category, 'chunks' => $chunks, 'dictionary' => $builder->labels(), 'decimals' => null];
            }
        }

        return new self($columns);
    }

    public function layout(): array
    {
        return array_map(static fn(Chunk $chunk): int => $chunk->rows, $this->columns[array_key_first($this->columns)]['chunks']);
    }

    public function type(string $name): VariableType
    {
        return $this->columns[$name]['type'];
    }

    public function dictionary(string $name): array
    {
        return $this->columns[$name]['dictionary'];
    }

    public function chunks(string $name): array
    {
        return $this->columns[$name]['chunks'];
    }

    public function number(string $name): NumberColumn
    {
        return new NumberColumn($this->columns[$name]['decimals'], $this->columns[$name]['dictionary'], $this->columns[$name]['chunks']);
    }

    public function aside(): ?array
    {
        return null;
    }

    public function names(): Names
    {
        return new Names(array_map(static fn(array $column): array => [
            'kind' => $column['type'] === VariableType::Number ? Kind::Number : Kind::Text,
            'decimals' => $column['decimals'],
        ], $this->columns));
    }

    public function rows(int $chunk): Rows
    {
        return new TableRows($this, $chunk);
    }
}
