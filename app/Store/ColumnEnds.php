<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use Brick\Math\BigDecimal;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Parsing\VariableType;

/** Smallest and largest value of a number variable, from the aggregates of its chunks. */
final class ColumnEnds
{
    /** @return array{lowest: string, highest: string}|null null where there is no value */
    public static function of(Variable $variable, int $revision): ?array
    {
        if ($variable->type !== VariableType::Number) {
            return null;
        }
        $lowest = $highest = null;
        foreach (StoredColumns::rows($variable->id, $revision, ['lowest', 'highest', 'decimals']) as $chunk) {
            if ($chunk->lowest === null || $chunk->highest === null) {
                continue;
            }
            $low = self::value($chunk->lowest, $chunk->decimals);
            $high = self::value($chunk->highest, $chunk->decimals);
            $lowest = $lowest === null || $low->isLessThan($lowest) ? $low : $lowest;
            $highest = $highest === null || $high->isGreaterThan($highest) ? $high : $highest;
        }
        if ($lowest === null || $highest === null) {
            return null;
        }
        $text = static fn(BigDecimal $value): string => $variable->decimals === null ? (string) $value : (string) $value->toScale(max($value->getScale(), $variable->decimals));

        return ['lowest' => $text($lowest), 'highest' => $text($highest)];
    }

    private static function value(string $text, ?int $decimals): BigDecimal
    {
        return BigDecimal::of($decimals === null ? $text : NumberColumn::toText((int) $text, $decimals));
    }
}
