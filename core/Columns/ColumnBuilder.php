<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

/** Packs the cells of a column, chunk after chunk; the cells of a chunk may come in several pieces. */
abstract class ColumnBuilder
{
    /** @param list<string> $cells the next of the chunk at hand, as they stand in the file; up to Chunk::ROWS all together */
    abstract public function take(array $cells): void;

    /** All that has been taken since the last chunk. */
    abstract public function chunk(): EncodedCells;

    /** @param list<string> $cells all cells of a chunk */
    final public function add(array $cells): EncodedCells
    {
        $this->take($cells);

        return $this->chunk();
    }
}
