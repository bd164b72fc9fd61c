<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Accounts\Scope;
use App\Accounts\Teams;
use App\Accounts\Tokens;
use App\Models\FigureSet;
use App\Models\Import;
use App\Models\LongChange;
use App\Models\ReportCheck;
use App\Models\ReportLink;
use App\Models\Share;
use App\Models\Upload;
use App\Models\User;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route as Router;
use Tests\App\AppTestCase;

/** Who may call what, of every route there is × everybody who may ask: a new one is refused here until the table says who. */
final class EveryRouteTest extends AppTestCase
{
    /** For everybody; the answer says nothing of anybody. */
    private const OPEN = ['GET api/docs', 'GET api/contract', 'GET api/openapi.yaml', 'GET api/conventions', 'GET api/guide', 'GET api/session', 'POST api/session', 'POST api/accounts', 'POST api/accounts/confirm', 'POST api/passwords/forgot', 'POST api/passwords/new'];

    /** Who asks, beside what each row of the table says in this order. The wrong scope is any but the one that the route names. */
    private const ROLES = ['nobody', 'stranger', 'reader', 'editor', 'owner', 'right scope', 'wrong scope', 'expired token'];

    /** `may` is whatever the route itself answers: never that it is not allowed, not there, or an error of the server. */
    private const TABLE = [
        'open' => ['may', 'may', 'may', 'may', 'may', 'may', 'may', 'may'],
        // One's own account and its proofs: no token, whatever its scope.
        'account' => [401, 'may', 'may', 'may', 'may', 403, 403, 401],
        // Lists of the account that asks, and what it makes for itself.
        'mine' => [401, 'may', 'may', 'may', 'may', 'may', 403, 401],
        // A dataset and what belongs to it.
        'view' => [401, 404, 'may', 'may', 'may', 'may', 403, 401],
        'change' => [401, 404, 403, 'may', 'may', 'may', 403, 401],
        'delete' => [401, 404, 403, 403, 'may', 'may', 403, 401],
        // What is one account's alone, whoever else has the dataset: imports, checks, sets of figures, what others have a part in, and a team that nobody else is in.
        'only its maker' => [401, 404, 404, 404, 'may', 'may', 403, 401],
        // A part is ended by whoever has it or owns the dataset.
        'end of a part' => [401, 404, 'may', 404, 'may', 'may', 403, 401],
    ];

    /** Routes of no policy: what they do, they do for the account that asks. `shares/{share}/take` is for whom it was offered to. */
    private const MINE = ['datasets', 'shares', 'shares/{share}/take', 'teams', 'checks', 'figures', 'figures/chosen', 'figures/sets', 'imports', 'reports', 'uploads', 'underway/{underway}', 'underway/{underway}/stop'];

    /** What has not been made is not there for its owner either. */
    private const NOT_THERE_AFTER_ALL = ['GET api/editions/{edition}/files/{form}', 'DELETE api/editions/{edition}/files/{form}', 'GET api/editions/{edition}/files/{form}/status', 'DELETE api/account/tokens/{token}', 'GET api/reports/{report}/pages/{page}'];

    public function test_every_route_for_everybody(): void
    {
        [$people, $ids] = $this->everybody();
        $count = 0;
        $rows = [];
        foreach ($this->api() as [$method, $uri, $route]) {
            $kind = self::kind($method, $uri, $route);
            $rows[$kind] = ($rows[$kind] ?? 0) + 1;
            $path = '/' . preg_replace_callback('/\{(\w+)\}/', static fn(array $name): string => (string) ($ids[$name[1]] ?? self::fail("no {$name[1]}")), $uri);
            foreach (array_combine(self::ROLES, self::TABLE[$kind]) as $role => $expected) {
                // What one of them does, the next one finds undone.
                DB::beginTransaction();
                $status = $this->as($role, $people, $route)->json($method, $path)->getStatusCode();
                DB::rollBack();
                $isMet = $expected === 'may' ? !in_array($status, [401, 403, 500, ...in_array("{$method} {$uri}", self::NOT_THERE_AFTER_ALL, true) ? [] : [404]], true) || $this->isRefusedByTheHouse($method, $uri, $status) : $status === $expected;
                self::assertTrue($isMet, "{$role} {$method} {$uri} ({$kind}): {$status}, expected {$expected}");
                ++$count;
            }
        }
        ksort($rows);
        self::assertSame(['account' => 17, 'change' => 17, 'delete' => 6, 'end of a part' => 1, 'mine' => 17, 'only its maker' => 15, 'open' => 11, 'view' => 43], $rows);
        self::assertSame(array_sum($rows) * count(self::ROLES), $count);
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

    /** Every route that asks who it is names the scope that a token needs for it, or that none will do. */
    public function test_each_route_names_a_scope(): void
    {
        foreach ($this->api() as [$method, $uri, $route]) {
            $scope = $route->getAction('scope');
            self::assertTrue(in_array("{$method} {$uri}", self::OPEN, true) ? $scope === null : $scope === Scope::NONE || Scope::tryFrom((string) $scope) !== null, "{$method} {$uri}");
            // What only looks never asks for more than to look, and what changes something never for that alone.
            self::assertTrue($method !== 'GET' || in_array($scope, [null, Scope::NONE, Scope::Read->value, Scope::Own->value], true), "{$method} {$uri}");
            self::assertTrue(!in_array($method, ['PUT', 'PATCH', 'DELETE'], true) || $scope !== Scope::Read->value, "{$method} {$uri}");
        }
    }

    private static function kind(string $method, string $uri, Route $route): string
    {
        if (in_array("{$method} {$uri}", self::OPEN, true)) {
            return 'open';
        }
        if (str_starts_with($uri, 'api/account') || $uri === 'api/session') {
            return 'account';
        }
        if (in_array(substr($uri, 4), self::MINE, true)) {
            return 'mine';
        }
        foreach ($route->gatherMiddleware() as $middleware) {
            if (is_string($middleware) && preg_match('/(?:can|Authorize):(\w+),(\w+)/', $middleware, $found) === 1) {
                return match (true) {
                    in_array($found[2], ['import', 'upload', 'reportCheck', 'figureSet', 'team'], true), $found[1] === 'change' && $found[2] === 'share' => 'only its maker',
                    // A report is taken away by whoever may change its dataset.
                    $found[1] === 'remove' => 'change',
                    $found[1] === 'end' => 'end of a part',
                    default => $found[1],
                };
            }
        }
        self::fail("{$method} {$uri} does not say who may.");
    }

    /** An answer of the route itself that looks like one of these: what it says decides. */
    private function isRefusedByTheHouse(string $method, string $uri, int $status): bool
    {
        return $method === 'POST' && $uri === 'api/accounts' && $status === 403;
    }

    /** @param array<string, User> $people */
    private function as(string $role, array $people, Route $route): self
    {
        $this->flushHeaders();
        $this->flushSession();
        $this->app['auth']->forgetGuards();
        if (isset($people[$role])) {
            return $this->actingAs($people[$role], 'web');
        }
        $asked = Scope::tryFrom((string) $route->getAction('scope'));
        $scopes = match ($role) {
            'right scope' => $asked === null ? Scope::cases() : [$asked],
            'wrong scope' => array_values(array_filter(Scope::cases(), static fn(Scope $scope): bool => $scope !== $asked)),
            default => Scope::cases(),
        };
        if ($role === 'nobody') {
            return $this;
        }
        $token = (string) Tokens::make($people['owner'], $role, $scopes, 7);
        if ($role === 'expired token') {
            DB::table('personal_access_tokens')->update(['expires_at' => now()->subMinute()]);
        }

        return $this->withHeader('Authorization', "Bearer {$token}");
    }

    /** @return array{array<string, User>, array<string, int|string>} who asks, and what they ask for: all of it is there */
    private function everybody(): array
    {
        config()->set('mail.default', 'array');
        $dataset = $this->dataset("kg,site\n20,a\n30,b\n");
        $report = $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'figures', 'title' => 'kg', 'address' => 'of=kg'])->json('report');
        $edition = $this->postJson("/api/reports/{$report}/editions")->json('id');
        $people = ['owner' => $this->keeper, 'stranger' => $this->account('stranger'), 'reader' => $this->account('reader'), 'editor' => $this->account('editor')];
        $shares = [];
        foreach (['reader', 'editor'] as $role) {
            $shares[$role] = Share::query()->create(['dataset_id' => $dataset->id, 'email' => "{$role}@example.org", 'user_id' => $people[$role]->id, 'role' => $role, 'invited_at' => now(), 'expires_at' => now()])->id;
        }
        $this->postJson("/api/editions/{$edition}/links", [])->assertSuccessful();
        $check = ReportCheck::query()->create(['user_id' => $this->keeper->id, 'status' => 'done', 'name' => 'x', 'path' => 'x', 'asked_at' => time()]);
        $long = LongChange::query()->create(['dataset_id' => $dataset->id, 'user_id' => $this->keeper->id, 'revision' => 1, 'fingerprint' => 'x', 'words' => [], 'status' => 'done', 'done' => 1, 'pieces' => 1, 'beat_at' => time()]);

        return [$people, [
            'dataset' => $dataset->id, 'report' => $report, 'edition' => $edition, 'share' => $shares['reader'], 'reportLink' => ReportLink::query()->valueOrFail('id'), 'reportCheck' => $check->id,
            'upload' => Upload::query()->create(['user_id' => $this->keeper->id, 'file_name' => 'x', 'path' => 'uploads/x', 'bytes_total' => 1])->id,
            'import' => Import::query()->where('dataset_id', $dataset->id)->valueOrFail('id'), 'longChange' => $long->id,
            'team' => Teams::make($this->keeper, 'x')->id, 'figureSet' => FigureSet::query()->create(['user_id' => $this->keeper->id, 'name' => 'x', 'figures' => ['mean']])->id,
            'session' => str_repeat('a', 64), 'underway' => str_repeat('a', 32), 'token' => 1, 'kind' => 'stack', 'page' => 1, 'form' => 'tables', 'variable' => 'kg', 'block' => $this->getJson("/api/reports/{$report}")->json('document.blocks.0.id'),
        ]];
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
