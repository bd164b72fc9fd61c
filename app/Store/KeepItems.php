<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\KeptItem;
use App\Store\Changes\ChangeRefused;
use Illuminate\Support\Facades\DB;

/** Holds pictures and tables for the report of a dataset, in the order that somebody gives them. */
final class KeepItems
{
    /** Of a change that gets in the way of another one. */
    private const ATTEMPTS = 5;

    /** What all items of a report may take together: more could not be shown. */
    private const MOST_BYTES = 24 << 20;
    private const MOST_ITEMS = 500;

    /** @param array<string, mixed> $item */
    public function keep(Dataset $dataset, array $item): KeptItem
    {
        $kept = new KeptItem(['note' => '', ...$item, 'dataset_id' => $dataset->id]);
        DB::transaction(static function () use ($dataset, $kept): void {
            $items = self::locked($dataset);
            self::checkRoom($dataset, $kept, count($items));
            $kept->fill(['position' => 1 + ($items === [] ? 0 : $items[count($items) - 1]->position)])->save();
        }, self::ATTEMPTS);

        return $kept;
    }

    /** @throws ChangeRefused */
    private static function checkRoom(Dataset $dataset, KeptItem $kept, int $items): void
    {
        $sum = DB::table('kept_items')->where('dataset_id', $dataset->id)->selectRaw('SUM(LENGTH(content)) AS held')->value('held');
        $held = is_numeric($sum) ? (int) $sum : 0;
        if ($items >= self::MOST_ITEMS || $held + strlen($kept->content) > self::MOST_BYTES) {
            throw ChangeRefused::because('report-full', 'The report has no room for it: ' . number_format($items) . ' items of ' . number_format($held / (1 << 20), 1) . ' MB are kept.', 'at most ' . self::MOST_ITEMS . ' items of ' . (self::MOST_BYTES >> 20) . ' MB in all', 'Take out what is not needed, or keep a shorter table.');
        }
    }

    /** @param list<int> $ids in their new order; what is not named stays behind those that are */
    public function arrange(Dataset $dataset, array $ids): void
    {
        DB::transaction(static function () use ($dataset, $ids): void {
            $places = array_flip($ids);
            $items = self::locked($dataset);
            usort($items, static fn(KeptItem $a, KeptItem $b): int => [$places[$a->id] ?? PHP_INT_MAX, $a->position] <=> [$places[$b->id] ?? PHP_INT_MAX, $b->position]);
            foreach ($items as $i => $item) {
                $item->update(['position' => $i + 1]);
            }
        }, self::ATTEMPTS);
    }

    public function remove(KeptItem $item): void
    {
        DB::transaction(static function () use ($item): void {
            self::locked(Dataset::query()->findOrFail($item->dataset_id));
            $item->delete();
        }, self::ATTEMPTS);
    }

    /** @return list<KeptItem> in order; nobody else changes them until this is done */
    private static function locked(Dataset $dataset): array
    {
        // The dataset first: whoever changes its items waits for whoever does, and none for each other.
        Dataset::query()->whereKey($dataset->id)->lockForUpdate()->value('id');
        $query = KeptItem::query();
        $query->select(['id', 'dataset_id', 'position'])->where('dataset_id', '=', $dataset->id)->orderBy('position')->lockForUpdate();

        return array_values($query->get()->all());
    }
}
