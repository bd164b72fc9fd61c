<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\ColumnChunk;
use App\Models\Variable;
use Illuminate\Database\Eloquent\Builder;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Values\PowerSums;

/** Reads columns back from the store as the core knows them. */
final class StoredColumns
{
    public static function number(Variable $variable, int $revision): NumberColumn
    {
        return new NumberColumn($variable->decimals, $variable->dictionary, self::chunks($variable, $revision));
    }

    /** @return list<Chunk> as they were at that revision, in row order */
    public static function chunks(Variable $variable, int $revision): array
    {
        $rows = ColumnChunk::query()
            ->where('variable_id', $variable->id)
            ->where('since_revision', '<=', $revision)
            ->where(static fn(Builder $query): Builder => $query->where('until_revision', '=', null)->orWhere('until_revision', '>', $revision));
        $rows->orderBy('number');

        return array_values($rows->get()->map(self::chunk(...))->all());
    }

    private static function chunk(ColumnChunk $row): Chunk
    {
        $isWhole = $row->decimals !== null;
        $number = static fn(?string $text): int|float|null => $text === null ? null : ($isWhole ? (int) $text : (float) $text);

        return new Chunk(
            $row->encoding,
            $row->rows,
            $row->missing,
            $row->payload,
            $row->decimals,
            $number($row->lowest),
            $number($row->highest),
            $row->sum === null || $row->squares === null ? null : PowerSums::fromTexts($row->rows - $row->missing, $row->sum, $row->squares, $row->decimals),
        );
    }
}
