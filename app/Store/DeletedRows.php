<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use Illuminate\Support\Facades\DB;

/** Rows that were deleted and can be brought back one by one. */
final class DeletedRows
{
    private const MOST = 200;
    private const CELLS_SHOWN = 5;

    /** @return list<array{id: int, position: int, entries: string}> the latest first */
    public static function of(Dataset $dataset): array
    {
        $rows = DB::table('deleted_rows')->where('dataset_id', $dataset->id)->whereNull('restored_revision')->orderByDesc('id')->limit(self::MOST)->get();
        $found = [];
        foreach ($rows as $row) {
            /** @var string $json */
            $json = $row->cells;
            /** @var array<array-key, mixed> $cells */
            $cells = json_decode($json, true, 8, JSON_THROW_ON_ERROR);
            $entries = array_filter($cells, static fn(mixed $cell): bool => is_string($cell) && $cell !== '');
            $found[] = [
                'id' => is_numeric($row->id) ? (int) $row->id : 0,
                'position' => is_numeric($row->position) ? (int) $row->position : 0,
                'entries' => implode(' · ', array_map(static fn(string $cell): string => $cell, array_slice($entries, 0, self::CELLS_SHOWN))),
            ];
        }

        return $found;
    }
}
