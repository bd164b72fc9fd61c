<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Dataset;
use App\Models\Share;
use App\Models\User;
use Illuminate\Http\Request;

/** @property Dataset $resource */
final class DatasetSummaryResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $user = $request->user();
        $isOwn = $this->resource->team_id === null && $user instanceof User && $user->id === $this->resource->user_id;
        // Of the account that asks alone, as the list has loaded them.
        $roles = [...$this->resource->shares->pluck('role')->all(), ...$this->resource->team?->shares->pluck('role')->all() ?? []];

        return [
            'id' => $this->resource->id,
            'title' => $this->resource->title,
            'rows' => $this->resource->rows,
            'variables' => $this->resource->variables_count,
            'owner' => $isOwn ? null : $this->resource->ownerName(),
            'role' => $isOwn ? 'owner' : Share::highest($roles) ?? Share::READER,
            'share' => $this->resource->shares->first()?->id,
            'changed_at' => $this->resource->updated_at->toIso8601ZuluString(),
        ];
    }
}
