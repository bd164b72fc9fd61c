<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

/**
 * Where most values of a column lie: between its smallest and its largest, but where these are far out. Then some rows tell between which
 * two values all but a thousandth at each end lie.
 *
 * Cost  the ends of the chunks; where values are far out, sixteen chunks and a sort of some thousand values.
 */
final class Bulk
{
    /** Ends so many times as far apart as those of half of the chunks are far out. */
    private const FAR_OUT = 3.0;
    /** So many chunks are looked into, in each at every eighth value. */
    private const LOOKED_INTO = 16;
    private const EVERY = 8;
    private const BEYOND = 1000;

    /**
     * @param array<Chunk> $chunks in row order, at least one
     * @param int|float    $min    of the column, as `NumberColumn::ends()` has it
     *
     * @return array{int|float, int|float} unscaled where the column has decimals
     */
    public static function of(NumberColumn $column, array $chunks, int|float $min, int|float $max): array
    {
        $spans = [];
        foreach ($chunks as $chunk) {
            if ($chunk->min !== null) {
                [$low, $high] = $column->ends([$chunk]);
                $spans[] = (float) $high - (float) $low;
            }
        }
        sort($spans);
        $far = (float) $max - (float) $min;
        if ($spans === [] || $far < self::FAR_OUT * $spans[intdiv(count($spans), 2)]) {
            return [$min, $max];
        }
        $some = [];
        for ($i = 0; $i < self::LOOKED_INTO; ++$i) {
            $chunk = $chunks[intdiv($i * count($chunks), self::LOOKED_INTO)];
            $values = array_values($column->decimals === null ? $column->presentDoubles($chunk) : $column->presentIntegers($chunk));
            for ($place = 0; $place < count($values); $place += self::EVERY) {
                $some[] = $values[$place];
            }
        }
        sort($some);
        $beyond = intdiv(count($some), self::BEYOND);
        [$low, $high] = [$some[$beyond] ?? $min, $some[count($some) - 1 - $beyond] ?? $max];

        return $high > $low && $far >= self::FAR_OUT * ((float) $high - (float) $low) ? [$low, $high] : [$min, $max];
    }
}
