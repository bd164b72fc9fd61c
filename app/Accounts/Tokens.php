<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Token;
use App\Models\User;
use Illuminate\Http\Request;

/** What scripts show instead of a password: made once, kept as a hash, with scopes and an end. */
final class Tokens
{
    public const DAYS = [7, 30, 90, 365];
    public const MOST = 50;
    private const NOTED_EVERY_SECONDS = 60;

    /** @return list<array{id: int, name: string, scopes: list<string>, made: string, ends: string, last_used: string|null, has_ended: bool}> the latest first */
    public static function of(User $user): array
    {
        return array_values(Token::query()->where('tokenable_type', $user->getMorphClass())->where('tokenable_id', $user->id)->latest('id')->get()->map(static fn(Token $token): array => [
            'id' => $token->id,
            'name' => $token->name,
            'scopes' => $token->abilities,
            'made' => $token->created_at->toIso8601String(),
            'ends' => $token->expires_at->toIso8601String(),
            'last_used' => $token->last_used_at?->toIso8601String(),
            'has_ended' => $token->expires_at->isPast(),
        ])->all());
    }

    /**
     * @param list<Scope> $scopes
     *
     * @return string|null the token itself, which nobody can be told again; null where there are as many as there may be
     */
    public static function make(User $user, string $name, array $scopes, int $days): ?string
    {
        if ($user->tokens()->count() >= self::MOST) {
            return null;
        }

        return $user->createToken($name, array_map(static fn(Scope $scope): string => $scope->value, $scopes), now()->addDays($days))->plainTextToken;
    }

    public static function revoke(User $user, int $id): bool
    {
        return $user->tokens()->whereKey($id)->delete() === 1;
    }

    public static function revokeAll(User $user): void
    {
        $user->tokens()->delete();
    }

    /** Noted once a minute: a script that asks often writes nothing for each question. */
    public static function used(User $user): void
    {
        $token = $user->currentAccessToken();
        if ($token->last_used_at === null || $token->last_used_at->diffInSeconds(now()) >= self::NOTED_EVERY_SECONDS) {
            $token->forceFill(['last_used_at' => now()])->save();
        }
    }

    /** Whether an address carries what is, or is called, a token. */
    public static function isInAddress(Request $request): bool
    {
        $isThere = false;
        $query = $request->query->all();
        $prefix = preg_quote(config()->string('sanctum.token_prefix'), '/');
        array_walk_recursive($query, static function (mixed $word, int|string $name) use (&$isThere, $prefix): void {
            $isThere = $isThere || in_array(strtolower((string) $name), ['token', 'access_token', 'api_token', 'auth_token', 'bearer'], true) || (is_string($word) && preg_match("/{$prefix}[A-Za-z0-9]{40}/", $word) === 1);
        });

        return $isThere;
    }
}
