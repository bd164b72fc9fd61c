<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Store\RowsAnswer;
use Illuminate\Http\Request;

/** @property RowsAnswer $resource */
final class RowsResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'revision' => $this->resource->revision,
            'total' => $this->resource->total,
            'from' => $this->resource->from,
            'rows' => $this->resource->rows,
            'cells' => (object) $this->resource->cells,
            'aside' => (object) $this->resource->aside,
            'unread' => (object) array_filter($this->resource->unread, static fn(array $places): bool => $places !== []),
        ];
    }
}
