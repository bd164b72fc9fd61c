<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Keeps what is derived of a dataset within bounds: of the groupings with their tallies, and of the sorted or filtered views of its rows,
 * those that were not asked for longest are forgotten. They are worked out again when somebody asks.
 */
final class DerivedRoom
{
    public const GROUPINGS = 40;
    public const GROUPING_BYTES = 256 << 20;
    public const VIEWS = 20;
    public const VIEW_BYTES = 128 << 20;
    private const VIEW_ROW_BYTES = 4;
    /** A moment is written down at most so often: reading stays reading. */
    private const TOUCHED_EVERY_SECONDS = 60;

    /**
     * Notes that a row of `row_groupings` or `row_views` serves.
     *
     * @param array<string, int|string> $key
     */
    public static function touch(string $table, array $key, mixed $usedAt): void
    {
        if (!is_numeric($usedAt) || time() - (int) $usedAt >= self::TOUCHED_EVERY_SECONDS) {
            DB::table($table)->where($key)->update(['used_at' => time()]);
        }
    }

    /** Cost: reads how long the tallies of the dataset's groupings are, at most GROUPING_BYTES of them; after an answer, not before it. */
    public static function trimGroupings(int $datasetId, int $revision): void
    {
        $variables = DB::table('variables')->where('dataset_id', $datasetId)->select('id');
        $bytes = [];
        foreach (['tallies', 'tally_buckets'] as $table) {
            $sizes = DB::table($table)->whereIn('variable_id', $variables)->whereIn('grouping', DB::table('row_groupings')->where('dataset_id', $datasetId)->select('grouping'))
                ->groupBy('grouping')->selectRaw('grouping, SUM(LENGTH(payload)) AS bytes')->pluck('bytes', 'grouping')->all();
            foreach ($sizes as $rowGrouping => $size) {
                $bytes[$rowGrouping] = ($bytes[$rowGrouping] ?? 0) + (is_numeric($size) ? (int) $size : 0);
            }
        }
        // Those of older revisions are of no more use; then the oldest.
        $known = DB::table('row_groupings')->where('dataset_id', $datasetId)->orderByRaw('revision = ? DESC', [$revision])->orderByDesc('used_at')->get(['grouping'])
            ->map(static fn(stdClass $row): string => is_string($row->grouping) ? $row->grouping : '')->all();
        $gone = self::beyond(array_values($known), $bytes, self::GROUPINGS, self::GROUPING_BYTES);
        if ($gone === []) {
            return;
        }
        foreach (['tallies', 'tally_buckets'] as $table) {
            DB::table($table)->whereIn('variable_id', $variables)->whereIn('grouping', $gone)->delete();
        }
        DB::table('row_groupings')->where('dataset_id', $datasetId)->whereIn('grouping', $gone)->delete();
    }

    /** Cost: none to speak of; a view says how many rows it has. */
    public static function trimViews(int $datasetId): void
    {
        $views = DB::table('row_views')->where('dataset_id', $datasetId)->orderByDesc('used_at')->pluck('rows', 'question')->all();
        $bytes = array_map(static fn(mixed $rows): int => self::VIEW_ROW_BYTES * (is_numeric($rows) ? (int) $rows : 0), $views);
        $gone = self::beyond(array_map(strval(...), array_keys($views)), $bytes, self::VIEWS, self::VIEW_BYTES);
        if ($gone !== []) {
            DB::table('row_views')->where('dataset_id', $datasetId)->whereIn('question', $gone)->delete();
        }
    }

    /**
     * @param list<string>           $names newest first
     * @param array<int|string, int> $bytes
     *
     * @return list<string> those that there is no room for; the newest stays in any case
     */
    public static function beyond(array $names, array $bytes, int $most, int $mostBytes): array
    {
        $room = $mostBytes;
        $gone = [];
        foreach ($names as $i => $name) {
            $room -= $bytes[$name] ?? 0;
            if ($i > 0 && ($i >= $most || $room < 0)) {
                $gone[] = $name;
            }
        }

        return $gone;
    }
}
