<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Says in the header Server-Timing how long the server took for an answer, from the moment PHP had the request. */
final class TellServerTime
{
    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $began = $request->server('REQUEST_TIME_FLOAT');
        if (is_numeric($began)) {
            $response->headers->set('Server-Timing', sprintf('app;dur=%.1f', 1000 * (microtime(true) - (float) $began)));
        }

        return $response;
    }
}
