<?php

declare(strict_types=1);

namespace Tests\App\Http;

use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Route as Router;
use Tests\App\AppTestCase;

/** Who may call what, of every route there is: a new one is refused here until it says so. */
final class EveryRouteTest extends AppTestCase
{
    /** For everybody; the answer says nothing of anybody. */
    private const OPEN = ['GET api/conventions', 'GET api/session', 'POST api/session', 'DELETE api/session', 'POST api/accounts', 'POST api/accounts/confirm', 'POST api/passwords/forgot', 'POST api/passwords/new'];

    /** Of the account that asks, and of nothing else; `shares/{share}/take` is for whom it was offered to. */
    private const OWN = ['account', 'account/password', 'account/data', 'account/sessions', 'account/sessions/{session}', 'account/factor', 'account/factor/confirm', 'account/factor/recovery-codes', 'datasets', 'shares', 'shares/{share}/take', 'checks', 'figures', 'figures/chosen', 'figures/sets', 'imports'];

    public function test_each_says_who_may(): void
    {
        $unsaid = [];
        foreach ($this->api() as [$method, $uri, $route]) {
            $isSaid = array_filter($route->gatherMiddleware(), static fn(mixed $middleware): bool => is_string($middleware) && preg_match('/^can:|Authorize:/', $middleware) === 1) !== [];
            if (!$isSaid && !in_array("{$method} {$uri}", self::OPEN, true) && !in_array(substr($uri, 4), self::OWN, true)) {
                $unsaid[] = "{$method} {$uri}";
            }
        }
        self::assertSame([], $unsaid);
    }

    public function test_nobody_is_asked_to_sign_in_before_anything_is_looked_for(): void
    {
        Auth::forgetGuards();
        $this->flushSession();
        $count = 0;
        foreach ($this->api() as [$method, $uri]) {
            if (!in_array("{$method} {$uri}", self::OPEN, true)) {
                $path = '/' . preg_replace_callback('/\{(\w+)\}/', static fn(array $name): string => ['session' => str_repeat('a', 64), 'kind' => 'stack', 'page' => '1'][$name[1]] ?? '1', $uri);
                self::assertSame(401, $this->json($method, $path)->getStatusCode(), "{$method} {$path}");
                ++$count;
            }
        }
        self::assertGreaterThan(80, $count);
    }

    /** What is not there, for an account that has nothing: never an error of the server, never an answer. */
    public function test_what_is_not_there_is_not_found(): void
    {
        $this->actingAs($this->account('stranger'));
        foreach ($this->api() as [$method, $uri]) {
            if (str_contains($uri, '{') && !str_contains($uri, 'account/')) {
                $path = '/' . preg_replace_callback('/\{(\w+)\}/', static fn(array $name): string => ['kind' => 'stack', 'page' => '1'][$name[1]] ?? '999999', $uri);
                self::assertSame(404, $this->json($method, $path)->getStatusCode(), "{$method} {$path}");
            }
        }
    }

    /** @return list<array{string, string, Route}> */
    private function api(): array
    {
        $routes = [];
        foreach (Router::getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'api/') && !str_contains($route->uri(), '{any?}')) {
                $routes[] = [$route->methods()[0], $route->uri(), $route];
            }
        }
        self::assertNotSame([], $routes);

        return $routes;
    }
}
