<?php

declare(strict_types=1);

namespace App\Store;

use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Values\Exact;

/** A chunk as a row of the table column_chunks. */
final class ChunkRow
{
    /** @return array<string, int|string|null> */
    public static function of(int $variableId, int $number, int $revision, EncodedCells $cells): array
    {
        $chunk = $cells->chunk;
        $sums = $chunk->powerSums?->toTexts();

        return [
            'variable_id' => $variableId,
            'number' => $number,
            'since_revision' => $revision,
            'encoding' => $chunk->encoding->value,
            'rows' => $chunk->rows,
            'missing' => $chunk->missing,
            'decimals' => $chunk->decimals,
            'lowest' => self::text($chunk->min),
            'highest' => self::text($chunk->max),
            'sum' => $sums['sum'] ?? null,
            'squares' => $sums['squares'] ?? null,
            'unread' => $cells->unread === [] ? null : json_encode((object) $cells->unread, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'payload' => $chunk->payload,
        ];
    }

    private static function text(int|float|null $value): ?string
    {
        return is_float($value) ? Exact::shortestText($value) : ($value === null ? null : (string) $value);
    }
}
