<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

use Brick\Math\BigDecimal;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\NumberColumn;

/**
 * The numbers of a chunk as a formula has them: what the texts of its cells would be read as, without the texts.
 *
 * Accuracy  of at most 15 digits, unscaled and unit are whole numbers that doubles hold, and their quotient is the double nearest to the decimal.
 * Cost      one pass over the chunk.
 */
final class NumberCells
{
    /** @return list<float|BigDecimal|null> null where there is none */
    public static function of(NumberColumn $column, Chunk $chunk): array
    {
        $decimals = $column->decimals;
        if ($decimals === null) {
            return array_values($column->doubles($chunk));
        }
        $unit = 10.0 ** $decimals;
        $numbers = [];
        foreach ($column->integers($chunk) as $unscaled) {
            $numbers[] = match (true) {
                $unscaled === null => null,
                $unscaled < Decimals::EXACT_BELOW && $unscaled > -Decimals::EXACT_BELOW => $unscaled / $unit,
                default => BigDecimal::ofUnscaledValue($unscaled, $decimals),
            };
        }

        return $numbers;
    }
}
