<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Packed;

/**
 * The cells of a chunk as texts, as they are shown, edited and written out: numbers with the decimals of their column, labels,
 * texts. A missing cell is the empty text, or what stood in it if that could not be read.
 */
final class ColumnCells
{
    /** The length of a text that is missing. */
    private const MISSING = 0xFFFFFFFF;

    /**
     * @param list<string> $dictionary of the column
     * @param int|null     $decimals   of the column
     *
     * @return list<string> $count cells from the offset on, or to the end of the chunk
     */
    public static function of(EncodedCells $encoded, array $dictionary, ?int $decimals, int $offset = 0, ?int $count = null): array
    {
        $chunk = $encoded->chunk;
        $count = min($count ?? $chunk->rows, $chunk->rows - $offset);
        if ($count <= 0) {
            return [];
        }
        $cells = match ($chunk->encoding) {
            ChunkEncoding::Text => self::texts($chunk, $offset, $count),
            ChunkEncoding::Codes => self::codes($chunk, $dictionary, $decimals, $offset, $count),
            ChunkEncoding::Float64 => self::doubles($chunk, $offset, $count),
            default => self::integers($chunk, $decimals, $offset, $count),
        };
        foreach ($encoded->unread as $place => $text) {
            if ($place >= $offset && $place < $offset + $count) {
                $cells[$place - $offset] = $text;
            }
        }

        return array_values($cells);
    }

    /** @return list<string> without cutting out the texts before and behind; where the first begins is told from the nearer end */
    private static function texts(Chunk $chunk, int $offset, int $count): array
    {
        $isLater = 2 * $offset > $chunk->rows;
        $first = $isLater ? $offset : 0;
        $lengths = array_values(Packed::integers('V' . ($isLater ? $chunk->rows - $offset : $offset + $count), $chunk->payload, 4 * $first));
        $at = $isLater
            ? strlen($chunk->payload) - self::bytes($lengths)
            : 4 * $chunk->rows + self::bytes(array_slice($lengths, 0, $offset));
        $texts = [];
        foreach (array_slice($lengths, $offset - $first, $count) as $length) {
            $length = $length === self::MISSING ? 0 : $length;
            $texts[] = substr($chunk->payload, $at, $length);
            $at += $length;
        }

        return $texts;
    }

    /** @param list<int> $lengths */
    private static function bytes(array $lengths): int
    {
        return array_sum($lengths) - self::MISSING * count(array_keys($lengths, self::MISSING, true));
    }

    /**
     * @param list<string> $dictionary
     *
     * @return list<string>
     */
    private static function codes(Chunk $chunk, array $dictionary, ?int $decimals, int $offset, int $count): array
    {
        // A number chunk has decimals; a chunk of labels has none.
        $texts = $chunk->decimals === null ? ['', ...$dictionary] : ['', ...array_map(static fn(string $text): string => self::padded($text, $decimals ?? 0), $dictionary)];
        $cells = [];
        foreach (Packed::integers("C{$count}", $chunk->payload, $offset) as $code) {
            $cells[] = $texts[$code];
        }

        return $cells;
    }

    /** A decimal text with as many decimals as the others of its column. */
    public static function padded(string $text, int $decimals): string
    {
        $point = strpos($text, '.');
        $own = $point === false ? 0 : strlen($text) - $point - 1;

        return $own >= $decimals ? $text : $text . ($own === 0 ? '.' : '') . str_repeat('0', $decimals - $own);
    }

    /** @return list<string> */
    private static function integers(Chunk $chunk, ?int $decimals, int $offset, int $count): array
    {
        $width = match ($chunk->encoding) {
            ChunkEncoding::Int16 => 2,
            ChunkEncoding::Int32 => 4,
            default => 8,
        };
        $mark = $chunk->encoding->missingInteger();
        $own = $chunk->decimals ?? 0;
        $isPadded = $own < ($decimals ?? 0);
        $cells = [];
        foreach (Packed::integers($chunk->encoding->format() . $count, $chunk->payload, $offset * $width) as $value) {
            $text = $value === $mark ? '' : NumberColumn::toText($value, $own);
            $cells[] = $isPadded && $text !== '' ? self::padded($text, $decimals ?? 0) : $text;
        }

        return $cells;
    }

    /** @return list<string> */
    private static function doubles(Chunk $chunk, int $offset, int $count): array
    {
        $cells = [];
        foreach (Packed::doubles("e{$count}", $chunk->payload, 8 * $offset) as $value) {
            $cells[] = is_nan($value) ? '' : Exact::plainText($value);
        }

        return $cells;
    }
}
