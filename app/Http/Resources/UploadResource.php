<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Upload;
use Illuminate\Http\Request;

/** @property Upload $resource */
final class UploadResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return ['id' => $this->resource->id, 'file_name' => $this->resource->file_name, 'bytes_total' => $this->resource->bytes_total, 'bytes_here' => $this->resource->bytes_here];
    }
}
