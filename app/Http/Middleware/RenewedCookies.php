<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Request;

/**
 * Whether an answer brings the cookies of the session again. The page, signing in and every change do, which keeps them from running
 * out; a question that comes with both has them already, and making them takes longer than many an answer.
 */
final class RenewedCookies
{
    private const TOKEN = 'XSRF-TOKEN';

    public static function areDue(Request $request): bool
    {
        $isQuestion = $request->isMethod('GET') && $request->is('api/*') && !$request->is('api/session');

        return !$isQuestion || !$request->cookies->has(self::TOKEN) || $request->cookies->get($request->session()->getName()) !== $request->session()->getId();
    }
}
