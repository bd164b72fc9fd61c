<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use RowTally\Core\Values\PowerSums;

/**
 * Packs the numbers of a chunk in one of the three encodings, with their ends and exact sums.
 *
 * Cost  O(rows).
 *
 * @internal
 */
final class NumberChunks
{
    /**
     * @param string    $codes      a byte a row, 0 = missing
     * @param list<int> $dictionary what byte 1, 2, … stands for, over the decimals
     */
    public static function ofCodes(string $codes, int $missing, array $dictionary, int $decimals): Chunk
    {
        $values = [];
        $counts = [];
        foreach (count_chars($codes, 1) as $code => $count) {
            if ($code > 0) {
                $values[] = $dictionary[$code - 1];
                $counts[] = $count;
            }
        }

        return new Chunk(
            ChunkEncoding::Codes,
            strlen($codes),
            $missing,
            $codes,
            $decimals,
            $values === [] ? null : min($values),
            $values === [] ? null : max($values),
            PowerSums::ofIntegers($values, $counts, $decimals),
        );
    }

    /**
     * @param list<int|float|null> $values  unscaled integers, null = missing
     * @param list<int>            $present those that are not missing
     */
    public static function ofIntegers(array $values, array $present, int $decimals): Chunk
    {
        $min = $present === [] ? null : min($present);
        $max = $present === [] ? null : max($present);
        $encoding = ChunkEncoding::forIntegers($min ?? 0, $max ?? 0);
        $missing = count($values) - count($present);
        if ($missing > 0) {
            $mark = $encoding->missingInteger();
            foreach ($values as $i => $value) {
                $values[$i] = $value ?? $mark;
            }
        }

        return new Chunk(
            $encoding,
            count($values),
            $missing,
            pack($encoding->format() . '*', ...$values),
            $decimals,
            $min,
            $max,
            PowerSums::ofIntegers($present, null, $decimals),
        );
    }

    /**
     * @param list<float> $values  NaN = missing
     * @param list<float> $present those that are not missing
     */
    public static function ofDoubles(array $values, array $present): Chunk
    {
        return new Chunk(
            ChunkEncoding::Float64,
            count($values),
            count($values) - count($present),
            pack('e*', ...$values),
            null,
            $present === [] ? null : min($present),
            $present === [] ? null : max($present),
            PowerSums::ofDoubles($present, null),
        );
    }
}
