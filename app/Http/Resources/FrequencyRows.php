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
        $rows = [];
        foreach ($table->labels as $row => $label) {
            $cells = ['label' => $label];
            foreach ($columns as $column) {
                $cells['counts'][] = self::count($table->counts[$column][$row], $table);
                $cells['percent_of_all'][] = $table->percentOfAll($column, $row);
                $cells['percent'][] = $table->percentOfPresent($column, $row);
                $cells['cumulative'][] = $table->cumulativePercent($column, $row);
                $cells['percent_of_row'][] = $table->percentOfRow($column, $row);
                $cells['percent_of_total'][] = $table->percentOfTotal($column, $row);
            }
            $rows[] = $cells;
        }

        return [
            'kind' => $table->kind->value,
            'rows' => $rows,
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
