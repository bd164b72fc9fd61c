<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\KeptItem;
use Illuminate\Support\Facades\DB;

/** Holds pictures and tables for the report of a dataset, in the order that somebody gives them. */
final class KeepItems
{
    /** @param array<string, mixed> $item */
    public function keep(Dataset $dataset, array $item): KeptItem
    {
        $kept = new KeptItem([...$item, 'dataset_id' => $dataset->id, 'note' => '']);
        DB::transaction(static function () use ($dataset, $kept): void {
            $items = self::locked($dataset);
            $kept->fill(['position' => 1 + ($items === [] ? 0 : $items[count($items) - 1]->position)])->save();
        });

        return $kept;
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
        });
    }

    /** @return list<KeptItem> in order; nobody else changes them until this is done */
    private static function locked(Dataset $dataset): array
    {
        $query = KeptItem::query();
        $query->where('dataset_id', '=', $dataset->id)->orderBy('position')->lockForUpdate();

        return array_values($query->get()->all());
    }
}
