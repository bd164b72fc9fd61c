<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Share;
use App\Models\User;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Mail\Message;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Password;
use RuntimeException;
use Throwable;

/** What an account gets by mail: plain letters with one link each, whose proof is sealed by the server and ends. */
final class Letters
{
    private const CONFIRMED_WITHIN_HOURS = 48;

    /** So that the address is known to be theirs. */
    public static function confirm(User $user): void
    {
        $proof = self::sealed(['confirm' => $user->id, 'email' => $user->email, 'until' => now()->getTimestamp() + self::CONFIRMED_WITHIN_HOURS * 3600]);
        self::send($user->email, 'Confirm your address', "Somebody, most likely you, made an account at Row Tally with this address.\n\nConfirm it within two days:\n\n" . self::link('confirm', $proof) . "\n\nIf it was not you, do nothing: without this no one can sign in with it.");
    }

    /** To somebody who has an account already and made one once more. */
    public static function isThere(User $user): void
    {
        self::send($user->email, 'You have an account', "Somebody, most likely you, wanted to make an account at Row Tally with this address, which has one.\n\nSign in:\n\n" . self::base() . "/sign-in\n\nIf the password is forgotten, a new one can be set there.");
    }

    /** A part in somebody's dataset or in a team is offered. */
    public static function offered(Share $share, User $by, string $what): void
    {
        $may = ['reader' => 'read', 'editor' => 'change', 'keeper' => 'keep'][$share->role] ?? 'read';
        self::send($share->email, 'Something is offered to you', "{$by->name} ({$by->email}) offers you {$what} at Row Tally, to {$may}.\n\nSign in with this address, or make an account with it, and take it there within two weeks:\n\n" . self::base() . '/datasets');
    }

    /** To the address that an account is to have; the one until now is told too. */
    public static function move(User $user, string $email): void
    {
        $proof = self::sealed(['move' => $user->id, 'email' => $user->email, 'to' => $email, 'until' => now()->getTimestamp() + self::CONFIRMED_WITHIN_HOURS * 3600]);
        self::send($email, 'Confirm your new address', "{$user->name} wants to use this address for an account at Row Tally.\n\nConfirm it within two days:\n\n" . self::link('confirm', $proof) . "\n\nIf it was not you, do nothing: the address until now stays.");
        self::send($user->email, 'Another address was asked for', "Somebody, most likely you, asked for another address for your account at Row Tally: {$email}.\n\nIf it was not you, change your password:\n\n" . self::base() . '/account');
    }

    /** @return array{User, string}|null the account that a letter moves, and its new address; null where it is none, or has ended */
    public static function moved(string $proof): ?array
    {
        $told = self::opened($proof);
        $until = $told['until'] ?? null;
        $to = $told['to'] ?? null;
        $user = is_int($until) && $until >= now()->getTimestamp() ? self::user($told, 'move') : null;

        return $user !== null && is_string($to) ? [$user, $to] : null;
    }

    /** So that a new password can be set. */
    public static function reset(User $user): void
    {
        $proof = self::sealed(['reset' => $user->id, 'email' => $user->email, 'token' => Password::createToken($user)]);
        self::send($user->email, 'Set a new password', "Somebody, most likely you, wants to set a new password for your account at Row Tally.\n\nSet it within an hour:\n\n" . self::link('new-password', $proof) . "\n\nIf it was not you, do nothing: the old one stays.");
    }

    /** @return User|null whose address is confirmed by it; null where it is none, or has ended */
    public static function confirmed(string $proof): ?User
    {
        $told = self::opened($proof);
        $until = $told['until'] ?? null;

        return is_int($until) && $until >= now()->getTimestamp() ? self::user($told, 'confirm') : null;
    }

    /** @return array{User, string}|null the account and its token */
    public static function mayReset(string $proof): ?array
    {
        $told = self::opened($proof);
        $user = self::user($told, 'reset');
        $token = $told['token'] ?? null;

        return $user !== null && is_string($token) && Password::tokenExists($user, $token) ? [$user, $token] : null;
    }

    /** @param array<string, mixed> $told */
    private static function user(array $told, string $what): ?User
    {
        $id = $told[$what] ?? null;

        return is_int($id) ? User::query()->whereKey($id)->where('email', $told['email'] ?? '')->first() : null;
    }

    /** @param array<string, int|string> $words */
    private static function sealed(array $words): string
    {
        return rtrim(strtr(Crypt::encryptString(json_encode($words, JSON_THROW_ON_ERROR)), '+/', '-_'), '=');
    }

    /** @return array<string, mixed> */
    private static function opened(string $proof): array
    {
        try {
            /** @var array<string, mixed>|null $told */
            $told = strlen($proof) > 4000 ? null : json_decode(Crypt::decryptString(strtr($proof, '-_', '+/')), true);

            return is_array($told) ? $told : [];
        } catch (DecryptException) {
            return [];
        }
    }

    private static function link(string $place, string $proof): string
    {
        // Behind a hash: it is in no log of a server, and in no referrer.
        return self::base() . "/{$place}#{$proof}";
    }

    private static function base(): string
    {
        return rtrim(config()->string('app.url'), '/');
    }

    private static function send(string $to, string $subject, string $text): void
    {
        try {
            Mail::raw("{$text}\n", static function (Message $message) use ($to, $subject): void {
                $message->to($to)->subject("Row Tally: {$subject}");
            });
        } catch (Throwable $thrown) {
            // Whoever asked is told the same as always; whoever runs the server finds it in the log.
            report(new RuntimeException('A letter could not be sent: ' . $thrown->getMessage(), previous: $thrown));
        }
    }
}
