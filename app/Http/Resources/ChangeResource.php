<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Revision;
use Illuminate\Http\Request;

/** @property Revision $resource */
final class ChangeResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return ['revision' => $this->resource->number, 'summary' => $this->resource->summary, 'rows' => $this->resource->rows];
    }
}
