<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Accounts\Scope;
use App\Accounts\Tokens;
use App\Framework\ByToken;
use App\Models\User;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Contracts\Auth\Middleware\AuthenticatesRequests;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** Lets in whoever is signed in by a session, or shows a token with the scope that the route asks for. A token is proof by itself: a session beside it counts for nothing. */
final class SignedIn implements AuthenticatesRequests
{
    /**
     * @param Closure(Request): Response $next
     *
     * @throws AuthenticationException
     */
    public function handle(Request $request, Closure $next): Response
    {
        if (Tokens::isInAddress($request)) {
            return new JsonResponse(['message' => 'A token stands in the address, and addresses are kept in logs and histories. Revoke that token under Account, make another, and send it in the head of the request: Authorization: Bearer TOKEN.'], 400);
        }
        if (!ByToken::is($request)) {
            Auth::shouldUse('web');

            return Auth::check() ? $next($request) : throw new AuthenticationException();
        }
        Auth::shouldUse('sanctum');
        $user = $request->user();
        if (!$user instanceof User) {
            return new JsonResponse(['message' => 'This token is not a good one, or has ended, or was revoked. Make another under Account.'], 401, ['WWW-Authenticate' => 'Bearer error="invalid_token"']);
        }
        $asked = $request->route()->getAction('scope');
        $scope = is_string($asked) ? Scope::tryFrom($asked) : null;
        if ($scope === null) {
            return new JsonResponse(['message' => 'No token may do this: sign in with the password of the account.'], 403);
        }
        if ($user->tokenCant($scope->value)) {
            return new JsonResponse(['message' => "This token may not {$scope->words()}. Make one with the scope \"{$scope->value}\" under Account."], 403, ['WWW-Authenticate' => "Bearer error=\"insufficient_scope\", scope=\"{$scope->value}\""]);
        }
        Tokens::used($user);

        return $next($request);
    }
}
