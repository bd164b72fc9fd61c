<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

/** Packs the cells of a text or id column. An empty cell is missing; everything else stays as it stands. */
final class TextColumnBuilder extends ColumnBuilder
{
    private string $lengths = '';
    private string $texts = '';
    private int $rows = 0;
    private int $missing = 0;

    public function take(array $cells): void
    {
        $lengths = array_map('strlen', $cells);
        foreach (array_keys($lengths, 0, true) as $row) {
            $lengths[$row] = 0xFFFFFFFF;
            ++$this->missing;
        }
        $this->lengths .= pack('V*', ...$lengths);
        $this->texts .= implode('', $cells);
        $this->rows += count($cells);
    }

    public function chunk(): EncodedCells
    {
        $chunk = new Chunk(ChunkEncoding::Text, $this->rows, $this->missing, $this->lengths . $this->texts);
        $this->lengths = $this->texts = '';
        $this->rows = $this->missing = 0;

        return new EncodedCells($chunk);
    }
}
