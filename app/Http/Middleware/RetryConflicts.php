<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Framework\KeptWrites;
use Closure;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\ConcurrencyErrorDetector;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Symfony\Component\HttpFoundation\Response;

/**
 * Two changes that meet between nodes of the database: the later one is taken back whole, and done again from its beginning as long as
 * nothing of the request was kept. Who loses every time is told, as with any change that came too late.
 */
final readonly class RetryConflicts
{
    private const TRIES = 5;
    private const PAUSE_MICROSECONDS = 20_000;

    public function __construct(private Application $app, private ConcurrencyErrorDetector $conflicts) {}

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        // What is only asked keeps nothing but what was worked out.
        $kept = $request->isMethodSafe() ? null : $this->app->make(KeptWrites::class);
        $kept?->forget();
        for ($try = 1; ; ++$try) {
            $response = $next($request);
            if (!$this->isConflict($response)) {
                return $response;
            }
            if ($try === self::TRIES || ($kept?->count() ?? 0) > 0) {
                return new JsonResponse(['message' => 'Something else was changed at the same moment, so this was not done. Look at it as it is now and try again.'], 409);
            }
            usleep(random_int(1, $try) * self::PAUSE_MICROSECONDS);
            // What the address names is looked up anew: somebody has just changed it.
            $request->route()->bind($request);
        }
    }

    private function isConflict(Response $response): bool
    {
        $thrown = $response instanceof PlainResponse || $response instanceof JsonResponse ? $response->exception : null;

        return $thrown !== null && $this->conflicts->causedByConcurrencyError($thrown);
    }
}
