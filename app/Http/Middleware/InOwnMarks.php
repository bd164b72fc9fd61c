<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Framework\ByToken;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use RowTally\Core\Marks\NumberMarks;
use Symfony\Component\HttpFoundation\Response;

/** Whoever is signed in reads numbers as they write them; a script, which shows a token, has the standard's. */
final class InOwnMarks
{
    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        $marks = $user instanceof User && !ByToken::is($request) ? $user->marks() : new NumberMarks();

        return $marks->during(static fn(): Response => $next($request));
    }
}
