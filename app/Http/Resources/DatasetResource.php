<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Dataset;
use Illuminate\Http\Request;

/** @property Dataset $resource */
final class DatasetResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->resource->id,
            'title' => $this->resource->title,
            'description' => $this->resource->description,
            'source' => $this->resource->source,
            'row_one' => $this->resource->row_one,
            'row_many' => $this->resource->row_many,
            'rows' => $this->resource->rows,
            'set_aside' => $this->resource->set_aside,
            'revision' => $this->resource->revision,
            'counts' => $this->known($this->resource->counts),
            'counted' => $this->known($this->resource->counted),
            'notes' => $this->resource->notes,
            'variables' => VariableResource::collection($this->resource->variables),
        ];
    }

    /** The key of a variable that is still there. */
    private function known(?string $key): ?string
    {
        return $this->resource->variables->contains('key', $key) ? $key : null;
    }
}
