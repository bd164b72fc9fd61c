<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Edition;
use App\Models\EditionFile;
use App\Models\ReportLink;
use Illuminate\Http\Request;

/** @property Edition $resource */
final class EditionResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $edition = $this->resource;

        return [
            'id' => $edition->id,
            'report' => $edition->report_id,
            'number' => $edition->number,
            'title' => $edition->title,
            'note' => $edition->note,
            'revision' => $edition->revision,
            'has_rows' => $edition->rows_path !== null,
            'made_at' => $edition->made_at->toIso8601ZuluString(),
            'files' => array_map(self::file(...), array_values($edition->files->all())),
            'links' => array_values(array_map(self::link(...), array_filter($edition->links->all(), static fn(ReportLink $link): bool => $link->revoked_at === null))),
        ];
    }

    /** @return array<string, mixed> */
    public static function file(EditionFile $file): array
    {
        return [
            'form' => $file->form,
            'size' => $file->size,
            'status' => $file->status,
            'error' => $file->error,
            'seconds' => max(0, time() - $file->asked_at),
            'bytes' => $file->bytes,
            'sha256' => $file->sha256,
        ];
    }

    /** @return array<string, mixed> */
    public static function link(ReportLink $link): array
    {
        return [
            'id' => $link->id,
            'path' => "/shared/{$link->token}",
            'has_passphrase' => $link->passphrase !== null,
            'has_rows' => $link->has_rows,
            'expires_at' => $link->expires_at?->toIso8601ZuluString(),
            'is_open' => $link->isOpen(),
            'opened' => $link->opened,
        ];
    }
}
