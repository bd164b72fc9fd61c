<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Parsing\VariableType;

/** The columns of a dataset by name, wherever they are kept; all are cut into the same chunks. */
interface Table
{
    /** @return list<int> how many rows each chunk has */
    public function layout(): array;

    /** @throws InvalidInput when there is no such variable; so do all below */
    public function type(string $name): VariableType;

    /** @return list<string> what byte codes 1, 2, … stand for */
    public function dictionary(string $name): array;

    /** @return list<Chunk> in row order */
    public function chunks(string $name): array;

    public function number(string $name): NumberColumn;

    /** @return list<Chunk>|null a category with an entry in the rows that no figure counts; null = every row counts */
    public function aside(): ?array;

    public function names(): Names;

    /** The rows of one chunk, for a formula. */
    public function rows(int $chunk): Rows;
}
