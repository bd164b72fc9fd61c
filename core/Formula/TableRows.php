<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Formula\Node\Named;
use RowTally\Core\Formula\Node\Node;
use RowTally\Core\Parsing\VariableType;

/** The rows of one chunk of a table that is held in memory. */
final readonly class TableRows implements Rows
{
    public function __construct(private Table $table, private int $chunk) {}

    public function count(): int
    {
        return $this->table->layout()[$this->chunk];
    }

    public function numbers(string $name): array
    {
        return NumberCells::of($this->table->number($name), $this->encoded($name));
    }

    public function texts(string $name): array
    {
        return array_map(static fn(string $cell): ?string => $cell === '' ? null : $cell, $this->cells($name));
    }

    public function summary(Node $number, Basis $basis): Summary
    {
        if ($number instanceof Named) {
            return Summary::of(TallyColumn::whole($this->table->number($number->name))->values, $basis);
        }
        $values = [];
        foreach (array_keys($this->table->layout()) as $chunk) {
            array_push($values, ...Summary::present($number->of($this->table->rows($chunk))));
        }

        return Summary::ofNumbers($values, $number->decimals(), $basis);
    }

    public function noResult(string $reason): void {}

    /** @return list<string> */
    private function cells(string $name): array
    {
        $decimals = $this->table->type($name) === VariableType::Number ? $this->table->number($name)->decimals : null;

        return ColumnCells::of(new EncodedCells($this->encoded($name)), $this->table->dictionary($name), $decimals);
    }

    private function encoded(string $name): Chunk
    {
        return $this->table->chunks($name)[$this->chunk];
    }
}
