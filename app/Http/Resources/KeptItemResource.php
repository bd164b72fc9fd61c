<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\KeptItem;
use Illuminate\Http\Request;

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
            'note' => $item->note,
            'picture' => $item->kind === 'picture' ? $item->content : null,
            'cells' => $item->kind === 'table' ? json_decode($item->content, true, flags: JSON_THROW_ON_ERROR) : null,
            'basis' => $item->basis,
            'address' => $item->address,
            'revision' => $item->revision,
            'kept_at' => $item->created_at->toIso8601ZuluString(),
        ];
    }
}
