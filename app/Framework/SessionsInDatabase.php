<?php

declare(strict_types=1);

namespace App\Framework;

use Illuminate\Support\Facades\DB;

final class SessionsInDatabase implements KeptSessions
{
    private const MOST = 100;
    /** A write that a cluster takes in one piece. */
    private const SWEPT_AT_ONCE = 10_000;

    public function of(int $userId): array
    {
        $sessions = [];
        foreach (DB::table('sessions')->where('user_id', $userId)->orderByDesc('last_activity')->limit(self::MOST)->get(['id', 'ip_address', 'user_agent', 'last_activity']) as $row) {
            $sessions[] = new KeptSession(
                is_string($row->id ?? null) ? $row->id : '',
                is_string($row->ip_address ?? null) ? $row->ip_address : null,
                is_string($row->user_agent ?? null) ? $row->user_agent : '',
                is_numeric($row->last_activity ?? null) ? (int) $row->last_activity : 0,
            );
        }

        return $sessions;
    }

    public function end(int $userId, string $name): bool
    {
        return DB::table('sessions')->where('user_id', $userId)->where('id', $name)->delete() === 1;
    }

    public function endAll(int $userId): void
    {
        DB::table('sessions')->where('user_id', $userId)->delete();
    }

    public function sweep(): void
    {
        $over = time() - 60 * config()->integer('session.lifetime');
        do {
            $ended = DB::table('sessions')->where('last_activity', '<', $over)->limit(self::SWEPT_AT_ONCE)->delete();
        } while ($ended === self::SWEPT_AT_ONCE);
    }
}
