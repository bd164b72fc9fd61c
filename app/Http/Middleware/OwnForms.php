<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Framework\ByToken;
use App\Framework\QuietSession;
use Closure;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Refuses forms of other sites, which can come with a session that is not theirs; a token they cannot have. */
final class OwnForms extends ValidateCsrfToken
{
    public function handle($request, Closure $next): mixed
    {
        return ByToken::is($request) ? $next($request) : parent::handle($request, $next);
    }

    /**
     * @param Request  $request
     * @param Response $response
     */
    protected function addCookieToResponse($request, $response): Response
    {
        $session = $request->session();

        return QuietSession::needsNoCookie($session, $request->cookies->get('XSRF-TOKEN'), $session->token()) ? $response : parent::addCookieToResponse($request, $response);
    }
}
