<?php

declare(strict_types=1);

namespace App\Http\Resources;

use RowTally\Core\Frequency\FrequencyTable;

/** A frequency table on the wire: by row, then by column, overall first. */
final class FrequencyRows
{
    /** @return array<string, mixed>|null */
    public static function of(?FrequencyTable $table): ?array
    {
        if ($table === null) {
            return null;
        }
        $columns = array_keys($table->counts);
        $each = static fn(callable $of): array => array_map($of, $columns);

        return [
            'kind' => $table->kind->value,
            'rows' => array_map(static fn(int $row, string $label): array => [
                'label' => $label,
                'counts' => $each(static fn(int $column): int|float => self::count($table->counts[$column][$row], $table)),
                'percent_of_all' => $each(static fn(int $column): ?string => $table->percentOfAll($column, $row)),
                'percent' => $each(static fn(int $column): ?string => $table->percentOfPresent($column, $row)),
                'cumulative' => $each(static fn(int $column): ?string => $table->cumulativePercent($column, $row)),
                'percent_of_row' => $each(static fn(int $column): ?string => $table->percentOfRow($column, $row)),
                'percent_of_total' => $each(static fn(int $column): ?string => $table->percentOfTotal($column, $row)),
            ], array_keys($table->labels), $table->labels),
            'totals' => $each(static fn(int $column): int|float => self::count($table->total($column), $table)),
            'missing' => $each(static fn(int $column): int|float => self::count($table->missing[$column], $table)),
            'missing_percent' => $each($table->percentMissing(...)),
        ];
    }

    private static function count(int $count, FrequencyTable $table): int|float
    {
        return $table->countDecimals === 0 ? $count : $count / 10 ** $table->countDecimals;
    }
}
