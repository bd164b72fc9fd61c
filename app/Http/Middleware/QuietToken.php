<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Symfony\Component\HttpFoundation\Response;

/** Proves that a change comes from the page; the token is sent when it is due. */
final class QuietToken extends ValidateCsrfToken
{
    protected function addCookieToResponse($request, $response): Response
    {
        return RenewedCookies::areDue($request) ? parent::addCookieToResponse($request, $response) : $response;
    }
}
