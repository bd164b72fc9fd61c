<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Framework\KeptSession;
use App\Framework\KeptSessions;
use App\Models\User;

/** Where an account is signed in. */
final class Sessions
{
    /** @return list<array{id: string, is_this: bool, from: string|null, with: string, last_seen: int}> the latest first */
    public static function of(User $user, string $this_): array
    {
        return array_map(static fn(KeptSession $session): array => [
            // Its own name would open it.
            'id' => hash('sha256', $session->name),
            'is_this' => $session->name === $this_,
            'from' => $session->address,
            'with' => self::browser($session->agent),
            'last_seen' => $session->lastSeen,
        ], app(KeptSessions::class)->of($user->id));
    }

    /** Ends the one that is named so, or, without a name, all but this. */
    public static function end(User $user, ?string $named, string $this_): int
    {
        $ended = 0;
        $kept = app(KeptSessions::class);
        foreach ($kept->of($user->id) as $session) {
            if ($named === null ? $session->name !== $this_ : hash_equals(hash('sha256', $session->name), $named)) {
                $ended += $kept->end($user->id, $session->name) ? 1 : 0;
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
