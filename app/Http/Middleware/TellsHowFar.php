<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use App\Store\Underway;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A question that was given a name (`X-Underway`, or the word `underway` of a link) tells how far it is under it, to whoever asked it alone. */
final class TellsHowFar
{
    public const NAME = '[0-9a-f]{32}';

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $name = $request->header('X-Underway') ?? $request->query('underway');
        $user = $request->user();

        return $request->isMethodSafe() && $user instanceof User && is_string($name) && preg_match('/^' . self::NAME . '$/D', $name) === 1
            ? Underway::named(self::ofUser($user, $name), static fn(): Response => $next($request))
            : $next($request);
    }

    public static function ofUser(User $user, string $name): string
    {
        return "{$user->id}-{$name}";
    }
}
