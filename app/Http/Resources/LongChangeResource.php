<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\LongChange;
use App\Models\Revision;
use Illuminate\Http\Request;

/** @property array{long: LongChange, revision: Revision|null} $resource */
final class LongChangeResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        ['long' => $long, 'revision' => $revision] = $this->resource;

        return [
            'id' => $long->id,
            'status' => $long->status,
            'share' => $long->pieces === 0 ? 0.0 : min(1.0, $long->done / $long->pieces),
            'message' => $long->message,
            'change' => $revision === null ? null : (new ChangeResource($revision))->resolve($request),
        ];
    }
}
