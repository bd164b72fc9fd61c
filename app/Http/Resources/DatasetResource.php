<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Dataset;
use App\Models\Share;
use App\Models\User;
use Illuminate\Http\Request;

/** @property Dataset $resource */
final class DatasetResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->resource->id,
            ...$this->people($request),
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

    /** @return array{role: string, owner: string|null, team: int|null, share: int|null, is_shared: bool} what the account is to it, and whose it is where it is another's */
    private function people(Request $request): array
    {
        $dataset = $this->resource;
        $user = $request->user();
        $role = $user instanceof User ? Share::role($user, $dataset) : null;
        $isOwn = $role === 'owner' && $dataset->team_id === null;
        $share = $isOwn || !$user instanceof User ? null : Share::query()->where('dataset_id', $dataset->id)->where('user_id', $user->id)->value('id');

        return [
            'role' => $role ?? 'reader',
            'owner' => $isOwn ? null : $dataset->ownerName(),
            'team' => $dataset->team_id,
            'share' => is_int($share) ? $share : null,
            'is_shared' => !$isOwn || Share::query()->where('dataset_id', $dataset->id)->whereNotNull('user_id')->exists(),
        ];
    }

    /** The key of a variable that is still there. */
    private function known(?string $key): ?string
    {
        return $this->resource->variables->contains('key', $key) ? $key : null;
    }
}
