<?php

declare(strict_types=1);

namespace App\Store\Changes;

use Illuminate\Support\Facades\DB;
use RowTally\Core\Marks\NumberMarks;

/** Deletes rows; each of them can be brought back later, by itself. */
final readonly class DeleteRows implements Change
{
    public const MOST_ROWS = 10_000;

    /** @param list<int> $rows from 1 */
    public function __construct(private array $rows) {}

    public function kind(): string
    {
        return 'delete-rows';
    }

    public function apply(DraftRevision $draft): string
    {
        $rows = array_values(array_unique($this->rows));
        sort($rows);
        $byChunk = [];
        foreach ($rows as $row) {
            [$chunk, $place] = $draft->place($row);
            $byChunk[$chunk][$place] = $row;
        }
        $kept = [];
        foreach ($byChunk as $chunk => $places) {
            foreach ($draft->variables() as $variable) {
                $cells = $draft->cells($variable, $chunk);
                foreach ($places as $place => $row) {
                    $kept[$row][$variable->id] = $cells[$place];
                    unset($cells[$place]);
                }
                $draft->put($variable, $chunk, array_values($cells));
            }
        }
        foreach (array_chunk($rows, 500) as $some) {
            DB::table('deleted_rows')->insert(array_map(static fn(int $row): array => [
                'dataset_id' => $draft->dataset->id,
                'revision' => $draft->number,
                'position' => $row,
                'cells' => json_encode((object) $kept[$row], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            ], $some));
        }
        $draft->dataset->rows -= count($rows);

        return count($rows) === 1 ? "Row {$rows[0]} deleted" : NumberMarks::keptCount(count($rows)) . " rows deleted, from row {$rows[0]} to " . $rows[count($rows) - 1];
    }
}
