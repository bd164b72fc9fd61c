<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\ChunkEncoding;
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
        // The query builder, not models: a million rows are some hundred chunks, and nothing is done to them but unpacking.
        $rows = DB::table('column_chunks')
            ->where('variable_id', $variable->id)
            ->where('since_revision', '<=', $revision)
            ->where(static fn ($query) => $query->whereNull('until_revision')->orWhere('until_revision', '>', $revision))
            ->orderBy('number')
            ->get();

        return array_values(array_map(self::chunk(...), $rows->all()));
    }

    private static function chunk(object $row): Chunk
    {
        $isWhole = $row->decimals !== null;
        $number = static fn (?string $text): int|float|null => $text === null ? null : ($isWhole ? (int) $text : (float) $text);

        return new Chunk(
            ChunkEncoding::from($row->encoding),
            $row->rows,
            $row->missing,
            $row->payload,
            $row->decimals,
            $number($row->lowest),
            $number($row->highest),
            $row->sum === null ? null : PowerSums::fromTexts($row->rows - $row->missing, $row->sum, $row->squares, $row->decimals),
        );
    }
}
