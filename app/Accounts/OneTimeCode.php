<?php

declare(strict_types=1);

namespace App\Accounts;

/**
 * One-time codes of six digits that change every thirty seconds.
 *
 * Source  RFC 6238 (TOTP) over RFC 4226 (HOTP), HMAC-SHA-1; keys in base32 (RFC 4648).
 */
final class OneTimeCode
{
    private const STEP_SECONDS = 30;
    private const DIGITS = 6;
    private const SECRET_BYTES = 20;
    private const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';
    /** A clock may be off by so many steps. */
    private const STEPS_OFF = 1;

    /** A new key, in base32. */
    public static function newSecret(): string
    {
        return self::base32(random_bytes(self::SECRET_BYTES));
    }

    public static function at(string $secret, int $time): string
    {
        return self::ofStep(self::bytes($secret), intdiv($time, self::STEP_SECONDS));
    }

    /**
     * Which step a code is of: the present one or a neighbour, and later than the last one that was taken.
     *
     * @return int|null null where it is of none
     */
    public static function step(string $secret, string $code, int $time, int $after): ?int
    {
        $now = intdiv($time, self::STEP_SECONDS);
        $found = null;
        for ($step = $now - self::STEPS_OFF; $step <= $now + self::STEPS_OFF; ++$step) {
            // Each takes as long as any other.
            if (hash_equals(self::ofStep(self::bytes($secret), $step), $code) && $step > $after) {
                $found = $step;
            }
        }

        return $found;
    }

    /** What an application for such codes reads. */
    public static function address(string $secret, string $issuer, string $account): string
    {
        return 'otpauth://totp/' . rawurlencode("{$issuer}:{$account}") . '?' . http_build_query(['secret' => $secret, 'issuer' => $issuer], encoding_type: PHP_QUERY_RFC3986);
    }

    private static function ofStep(string $key, int $step): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $key, true);
        $offset = ord($hash[19]) & 0xF;
        $number = (ord($hash[$offset]) & 0x7F) << 24 | ord($hash[$offset + 1]) << 16 | ord($hash[$offset + 2]) << 8 | ord($hash[$offset + 3]);

        return str_pad((string) ($number % 10 ** self::DIGITS), self::DIGITS, '0', STR_PAD_LEFT);
    }

    private static function base32(string $bytes): string
    {
        $bits = implode('', array_map(static fn(string $byte): string => str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT), str_split($bytes)));

        return implode('', array_map(static fn(string $five): string => self::ALPHABET[(int) bindec(str_pad($five, 5, '0'))], str_split($bits, 5)));
    }

    private static function bytes(string $base32): string
    {
        $bits = '';
        foreach (str_split(strtoupper($base32)) as $sign) {
            $place = strpos(self::ALPHABET, $sign);
            $bits .= $place === false ? '' : str_pad(decbin($place), 5, '0', STR_PAD_LEFT);
        }

        return implode('', array_map(static fn(string $eight): string => chr((int) bindec($eight)), array_filter(str_split($bits, 8), static fn(string $eight): bool => strlen($eight) === 8)));
    }
}
