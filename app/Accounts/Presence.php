<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Dataset;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Who is in a dataset just now. */
final class Presence
{
    private const GONE_AFTER_SECONDS = 12;

    /** @return list<array{name: string, place: string}> the others, after this one has said where they are */
    public static function others(Dataset $dataset, User $user, string $place): array
    {
        DB::table('presences')->upsert([['dataset_id' => $dataset->id, 'user_id' => $user->id, 'place' => $place, 'seen_at' => time()]], ['dataset_id', 'user_id'], ['place', 'seen_at']);
        $others = [];
        $rows = DB::table('presences')->join('users', 'users.id', '=', 'presences.user_id')
            ->where('dataset_id', $dataset->id)->where('user_id', '<>', $user->id)->where('seen_at', '>', time() - self::GONE_AFTER_SECONDS)
            ->orderBy('users.name')->get(['users.name', 'presences.place']);
        foreach ($rows as $row) {
            $others[] = ['name' => is_string($row->name ?? null) ? $row->name : '', 'place' => is_string($row->place ?? null) ? $row->place : ''];
        }

        return $others;
    }
}
