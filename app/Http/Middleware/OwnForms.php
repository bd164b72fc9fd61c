<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Framework\ByToken;
use Closure;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;

/** Refuses forms of other sites, which can come with a session that is not theirs; a token they cannot have. */
final class OwnForms extends ValidateCsrfToken
{
    public function handle($request, Closure $next): mixed
    {
        return ByToken::is($request) ? $next($request) : parent::handle($request, $next);
    }
}
