<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\KeptItem;
use App\Store\KeptReading;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** @property KeptItem $resource */
final class KeptItemResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $item = $this->resource;

        return [
            'id' => $item->id,
            'kind' => $item->kind,
            'title' => $item->title,
            'note' => $item->note === '' ? null : json_decode($item->note, true, flags: JSON_THROW_ON_ERROR),
            'picture' => $item->kind === 'picture' ? $item->content : null,
            'cells' => $item->kind === 'table' ? json_decode($item->content, true, flags: JSON_THROW_ON_ERROR) : null,
            'reading' => $item->kind === 'reading' ? KeptReading::ofText($item->content)?->toArray() : null,
            'basis' => $item->basis,
            'place' => $item->place,
            'address' => $item->address,
            'revision' => $item->revision,
            'can_renew' => $item->asked !== null,
            'kept_at' => $item->created_at->toIso8601ZuluString(),
        ];
    }

    /**
     * All of them as JSON. The cells of tables and notes are kept as that already: to read and write them again would take many times their size.
     *
     * @param iterable<KeptItem> $items
     */
    public static function listed(iterable $items): string
    {
        $sign = Str::random(32);
        $told = $kept = [];
        foreach ($items as $item) {
            if ($item->kind === 'table') {
                $kept["\"{$sign}{$item->id}\""] = $item->content;
                $item->content = (string) json_encode("{$sign}{$item->id}");
            }
            if ($item->note !== '') {
                $kept["\"{$sign}note{$item->id}\""] = $item->note;
                $item->note = (string) json_encode("{$sign}note{$item->id}");
            }
            $told[] = (new self($item))->resolve();
        }

        return strtr(json_encode($told, JSON_THROW_ON_ERROR), $kept);
    }
}
