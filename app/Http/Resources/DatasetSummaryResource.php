<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Dataset;
use Illuminate\Http\Request;

/** @property Dataset $resource */
final class DatasetSummaryResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->resource->id,
            'title' => $this->resource->title,
            'rows' => $this->resource->rows,
            'variables' => $this->resource->variables_count,
            'changed_at' => $this->resource->updated_at->toIso8601ZuluString(),
        ];
    }
}
