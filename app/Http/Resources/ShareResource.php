<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Share;

/** A part in a dataset or a team, for whoever decides about it. */
final class ShareResource
{
    /** @return array{id: int, email: string, name: string|null, role: string, is_taken: bool, is_offered: bool} */
    public static function told(Share $share): array
    {
        return ['id' => $share->id, 'email' => $share->email, 'name' => $share->user?->name, 'role' => $share->role, 'is_taken' => $share->user_id !== null, 'is_offered' => $share->isOffered()];
    }
}
