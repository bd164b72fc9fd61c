<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

/** Which rows of a chunk have a value. */
final class Presence
{
    /** @return list<bool> in row order */
    public static function of(Chunk $chunk): array
    {
        if ($chunk->missing === 0) {
            return array_fill(0, $chunk->rows, true);
        }
        if ($chunk->encoding === ChunkEncoding::Float64) {
            return array_map(static fn(float $value): bool => !is_nan($value), array_values($chunk->doubles()));
        }
        if ($chunk->encoding === ChunkEncoding::Text) {
            return array_map(static fn(?string $text): bool => $text !== null, $chunk->texts());
        }
        $mark = $chunk->encoding->missingInteger();

        return array_map(static fn(int $value): bool => $value !== $mark, array_values($chunk->integers()));
    }
}
