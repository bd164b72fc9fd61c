<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\User;
use Illuminate\Database\UniqueConstraintViolationException;

/** Makes an account for somebody who asks for one, where that is allowed; who has one already is told by mail, and nobody else. */
final class Register
{
    public const SHORTEST_PASSWORD = 8;

    public static function isOpen(): bool
    {
        return config()->boolean('accounts.register');
    }

    /** Whether an address is of a domain that accounts may be of. */
    public static function isAllowed(string $email): bool
    {
        $domains = array_values(array_filter(array_map(static fn(string $domain): string => trim($domain, " @\t"), explode(',', mb_strtolower(config()->string('accounts.domains')))), static fn(string $domain): bool => $domain !== ''));

        return $domains === [] || in_array(substr((string) strrchr($email, '@'), 1), $domains, true);
    }

    public static function of(string $name, string $email, string $password): void
    {
        $user = new User(['name' => $name, 'email' => $email, 'password' => $password]);
        try {
            $user->forceFill(['waits_since' => now()])->save();
            Letters::confirm($user);
        } catch (UniqueConstraintViolationException) {
            $there = User::query()->where('email', '=', $user->email)->firstOrFail();
            $there->waits_since === null ? Letters::isThere($there) : Letters::confirm($there);
        }
    }
}
