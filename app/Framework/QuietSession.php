<?php

declare(strict_types=1);

namespace App\Framework;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;

/**
 * The session without a note of the last address, which nothing here reads: a request that changes nothing in the session then
 * writes nothing (see `UnchangedSession`), and so waits for no disk. Who shows a token has none.
 */
final class QuietSession extends StartSession
{
    public function handle($request, Closure $next): mixed
    {
        return ByToken::is($request) ? $next($request) : parent::handle($request, $next);
    }

    protected function storeCurrentUrl(Request $request, $session): void {}
}
