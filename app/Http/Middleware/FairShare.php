<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * An account may have some requests answered at once, and no more: whoever asks for much waits for itself, and the others go on. A
 * place is a lock on a file, so it is free again however a request ends.
 */
final class FairShare
{
    /** Of the 24 that the web server answers at once (ops/php-fpm.conf.template); a browser asks six things at once. */
    private const AT_ONCE = 5;
    /** So many of its own wait for a place, in which they take up half of all together; one more is sent away. */
    private const WAITING = 7;
    private const LOOK_EVERY_MICROSECONDS = 20_000;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        $place = $user instanceof User ? self::place($user->id) : null;
        if ($place === false) {
            return new JsonResponse(['message' => 'Much that was asked for under this account is still being worked on. Wait for some of it, then try again.'], 429, ['Retry-After' => '2']);
        }
        try {
            return $next($request);
        } finally {
            if ($place !== null) {
                fclose($place);
            }
        }
    }

    /** @return resource|false|null null where places cannot be kept at all */
    private static function place(int $user)
    {
        $place = self::free("share-{$user}", self::AT_ONCE);
        $waits = $place === false ? self::free("wait-{$user}", self::WAITING) : false;
        $until = microtime(true) + config()->integer('app.seconds_for_a_share');
        while ($place === false && is_resource($waits) && microtime(true) < $until) {
            usleep(self::LOOK_EVERY_MICROSECONDS);
            $place = self::free("share-{$user}", self::AT_ONCE);
        }
        if (is_resource($waits)) {
            fclose($waits);
        }

        return $place;
    }

    /** @return resource|false|null the first of so many places that nobody has */
    private static function free(string $name, int $places)
    {
        for ($number = 0; $number < $places; ++$number) {
            $file = @fopen(storage_path("framework/{$name}-{$number}"), 'c');
            if ($file === false) {
                return null;
            }
            if (flock($file, LOCK_EX | LOCK_NB)) {
                return $file;
            }
            fclose($file);
        }

        return false;
    }
}
