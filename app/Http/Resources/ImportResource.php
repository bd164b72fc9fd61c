<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Import;
use App\Models\ImportStatus;
use Illuminate\Http\Request;

/** @property Import $resource */
final class ImportResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $import = $this->resource;
        $isDone = $import->status === ImportStatus::Done;

        return [
            'id' => $import->id,
            'title' => $import->title,
            'file_name' => $import->file_name,
            'status' => $import->status->value,
            'bytes_total' => $import->bytes_total,
            'bytes_read' => $import->bytes_read,
            'rows_read' => $import->rows_read,
            'error' => $import->error,
            'dataset_id' => $isDone ? $import->dataset_id : null,
            'notes' => $isDone && $import->dataset !== null ? $import->dataset->notes : [],
        ];
    }
}
