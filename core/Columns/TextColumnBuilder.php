<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

/** Packs the cells of a text or id column. An empty cell is missing; everything else stays as it stands. */
final class TextColumnBuilder
{
    /** @param list<string> $cells up to Chunk::ROWS */
    public function add(array $cells): EncodedCells
    {
        $lengths = array_map('strlen', $cells);
        $missing = 0;
        foreach (array_keys($lengths, 0, true) as $row) {
            $lengths[$row] = 0xFFFFFFFF;
            ++$missing;
        }

        return new EncodedCells(new Chunk(
            ChunkEncoding::Text,
            count($cells),
            $missing,
            pack('V*', ...$lengths) . implode('', $cells),
        ));
    }
}
