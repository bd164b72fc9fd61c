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
    /** Of the eight that the web server answers at once (ops/php-fpm.conf.template). */
    private const AT_ONCE = 5;
    private const LOOK_EVERY_MICROSECONDS = 20_000;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        $place = $user instanceof User ? self::place($user->id) : null;
        if ($place === false) {
            return new JsonResponse(['message' => 'Much that was asked for under this account is still being worked on. Wait for some of it, then try again.'], 429);
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
        $until = microtime(true) + config()->integer('app.seconds_for_a_share');
        do {
            for ($number = 0; $number < self::AT_ONCE; ++$number) {
                $file = @fopen(storage_path("framework/share-{$user}-{$number}"), 'c');
                if ($file === false) {
                    return null;
                }
                if (flock($file, LOCK_EX | LOCK_NB)) {
                    return $file;
                }
                fclose($file);
            }
            usleep(self::LOOK_EVERY_MICROSECONDS);
        } while (microtime(true) < $until);

        return false;
    }
}
