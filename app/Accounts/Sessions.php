<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Where an account is signed in. */
final class Sessions
{
    /** @return list<array{id: string, is_this: bool, from: string|null, with: string, last_seen: int}> the latest first */
    public static function of(User $user, string $this_): array
    {
        $sessions = [];
        foreach (DB::table('sessions')->where('user_id', $user->id)->orderByDesc('last_activity')->limit(100)->get(['id', 'ip_address', 'user_agent', 'last_activity']) as $row) {
            $id = is_string($row->id ?? null) ? $row->id : '';
            $sessions[] = [
                // Its own name would open it.
                'id' => hash('sha256', $id),
                'is_this' => $id === $this_,
                'from' => is_string($row->ip_address ?? null) ? $row->ip_address : null,
                'with' => self::browser(is_string($row->user_agent ?? null) ? $row->user_agent : ''),
                'last_seen' => is_numeric($row->last_activity ?? null) ? (int) $row->last_activity : 0,
            ];
        }

        return $sessions;
    }

    /** Ends the one that is named so, or, without a name, all but this. */
    public static function end(User $user, ?string $named, string $this_): int
    {
        $ended = 0;
        foreach (DB::table('sessions')->where('user_id', $user->id)->pluck('id') as $id) {
            if (is_string($id) && ($named === null ? $id !== $this_ : hash_equals(hash('sha256', $id), $named))) {
                $ended += DB::table('sessions')->where('id', $id)->delete();
            }
        }

        return $ended;
    }

    /** In a few words: browser and system. */
    private static function browser(string $agent): string
    {
        $first = static function (array $words) use ($agent): ?string {
            foreach ($words as $sign => $name) {
                if (str_contains($agent, (string) $sign)) {
                    return is_string($name) ? $name : null;
                }
            }

            return null;
        };
        $browser = $first(['Edg/' => 'Edge', 'OPR/' => 'Opera', 'Firefox/' => 'Firefox', 'Chrome/' => 'Chromium', 'Safari/' => 'Safari', 'curl/' => 'curl']) ?? 'a browser';
        $system = $first(['Android' => 'Android', 'iPhone' => 'iOS', 'iPad' => 'iPadOS', 'Windows' => 'Windows', 'Mac OS' => 'macOS', 'Linux' => 'Linux']);

        return $system === null ? $browser : "{$browser} on {$system}";
    }
}
