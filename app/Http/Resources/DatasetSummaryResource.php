<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Dataset;
use App\Models\User;
use Illuminate\Http\Request;

/** @property Dataset $resource */
final class DatasetSummaryResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $user = $request->user();

        return [
            'id' => $this->resource->id,
            'title' => $this->resource->title,
            'rows' => $this->resource->rows,
            'variables' => $this->resource->variables_count,
            'owner' => $user instanceof User && $user->id === $this->resource->user_id ? null : $this->resource->user->name,
            'share' => $this->resource->shares->first()?->id,
            'changed_at' => $this->resource->updated_at->toIso8601ZuluString(),
        ];
    }
}
