<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\User;
use Illuminate\Support\Facades\DB;

/** What an account asks for beside its password: a one-time code, or one of the codes that were put aside for the day when there is none. */
final class SecondFactor
{
    private const RECOVERY_CODES = 10;

    public static function isAsked(User $user): bool
    {
        return $user->factor_at !== null && $user->factor_secret !== null;
    }

    /** Begins: the key is kept, and in force once a code of it was given. */
    public static function begin(User $user): string
    {
        $secret = OneTimeCode::newSecret();
        $user->forceFill(['factor_secret' => $secret, 'factor_at' => null, 'factor_step' => 0, 'recovery_codes' => null])->save();

        return $secret;
    }

    /** @return list<string>|null recovery codes, which are shown this once; null where the code is not of the key */
    public static function confirm(User $user, string $code): ?array
    {
        if ($user->factor_secret === null || $user->factor_at !== null || !self::takesCode($user, $code)) {
            return null;
        }
        $user->forceFill(['factor_at' => now()])->save();

        return self::newRecoveryCodes($user);
    }

    /** @return list<string> in place of those that were there */
    public static function newRecoveryCodes(User $user): array
    {
        $codes = array_map(static fn(): string => implode('-', str_split(bin2hex(random_bytes(5)), 5)), range(1, self::RECOVERY_CODES));
        $user->forceFill(['recovery_codes' => array_map(self::hash(...), $codes)])->save();

        return $codes;
    }

    public static function end(User $user): void
    {
        $user->forceFill(['factor_secret' => null, 'factor_at' => null, 'factor_step' => 0, 'recovery_codes' => null])->save();
    }

    /** Whether a code is right, which then is used up. */
    public static function takes(User $user, string $code): bool
    {
        $code = strtolower((string) preg_replace('/\s+/', '', $code));

        return preg_match('/^\d{6}$/', $code) === 1 ? self::takesCode($user, $code) : self::takesRecoveryCode($user, $code);
    }

    private static function takesCode(User $user, string $code): bool
    {
        $step = $user->factor_secret === null ? null : OneTimeCode::step($user->factor_secret, $code, time(), $user->factor_step);
        // Two at once: one of them is first.
        if ($step === null || User::query()->whereKey($user->id)->where('factor_step', '<', $step)->update(['factor_step' => $step]) !== 1) {
            return false;
        }
        $user->factor_step = $step;
        $user->syncOriginalAttribute('factor_step');

        return true;
    }

    private static function takesRecoveryCode(User $user, string $code): bool
    {
        $isTaken = false;
        DB::transaction(static function () use ($user, $code, &$isTaken): void {
            User::query()->whereKey($user->id)->lockForUpdate()->value('id');
            $user->refresh();
            $left = $user->recovery_codes ?? [];
            $rest = array_values(array_filter($left, static fn(string $hash): bool => !hash_equals($hash, self::hash($code))));
            if (count($rest) < count($left)) {
                $user->forceFill(['recovery_codes' => $rest])->save();
                $isTaken = true;
            }
        });

        return $isTaken;
    }

    /** They are random and long: a plain hash gives nothing away. */
    private static function hash(string $code): string
    {
        return hash('sha256', str_replace('-', '', $code));
    }
}
