<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;
use Symfony\Component\HttpFoundation\Response;

/**
 * The session without a note of the last address, which nothing here reads: a request that changes nothing in the session then
 * writes nothing (see `UnchangedSession`), and so waits for no disk. Its cookie comes when it is due.
 */
final class QuietSession extends StartSession
{
    protected function addCookieToResponse(Response $response, Session $session): void
    {
        if (RenewedCookies::areDue(request())) {
            parent::addCookieToResponse($response, $session);
        }
    }

    protected function storeCurrentUrl(Request $request, $session): void {}
}
