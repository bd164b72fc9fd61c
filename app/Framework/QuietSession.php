<?php

declare(strict_types=1);

namespace App\Framework;

use Closure;
use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;
use Symfony\Component\HttpFoundation\Response;

/**
 * The session without a note of the last address, which nothing here reads: a request that changes nothing in the session then
 * writes nothing (see `UnchangedSession`), and so waits for no disk. Its cookie is sent when the browser does not have it, and when it
 * is to last longer. Who shows a token has none.
 */
final class QuietSession extends StartSession
{
    private mixed $sent = null;

    public function handle($request, Closure $next): mixed
    {
        return ByToken::is($request) ? $next($request) : parent::handle($request, $next);
    }

    /** Whether whoever asked has both cookies of the session, and they last long enough. */
    public static function needsNoCookie(Session $session, mixed $sent, ?string $own): bool
    {
        $handler = $session->getHandler();

        return $own !== null && is_string($sent) && hash_equals($own, $sent) && $handler instanceof AliveSession && $handler->isAlive();
    }

    public function getSession(Request $request): Session
    {
        $session = parent::getSession($request);
        $this->sent = $request->cookies->get($session->getName());

        return $session;
    }

    protected function addCookieToResponse(Response $response, Session $session): void
    {
        if (!self::needsNoCookie($session, $this->sent, $session->getId())) {
            parent::addCookieToResponse($response, $session);
        }
    }

    protected function storeCurrentUrl(Request $request, $session): void {}
}
