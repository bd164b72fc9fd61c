<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Accounts\Scope;
use App\Accounts\Teams;
use App\Accounts\Tokens;
use App\Models\Share;
use App\Models\Upload;
use Illuminate\Http\UploadedFile;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route as Router;
use Illuminate\Testing\TestResponse;
use Symfony\Component\Yaml\Yaml;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** The contract as people read it under /api/docs: whole, true of scopes, and with examples that work on the demo data. */
final class ContractTest extends AppTestCase
{
    private const MADE_FIRST = ['showLongChange', 'showBlock', 'showPage', 'showFile', 'fetchFile', 'showCheck'];

    public function test_it_is_served_as_it_stands_to_anybody(): void
    {
        $this->app['auth']->forgetGuards();
        self::assertSame($this->contract(), $this->getJson('/api/contract')->assertOk()->json());
        self::assertSame(file_get_contents(base_path('api/openapi.yaml')), $this->get('/api/openapi.yaml')->assertOk()->getContent());
        self::assertStringContainsString($this->contract()['info']['x-lines'], (string) file_get_contents(base_path('docs/guide/scripts.md')), 'the guide has the same lines');
        $this->get('/api/docs')->assertOk()->assertSee('id="app"', false);
    }

    /** Every route is in it, and every operation is a route, with the scope that it asks for. */
    public function test_it_has_every_route_and_its_scope(): void
    {
        $written = [];
        foreach ($this->operations() as [$method, $path, $operation]) {
            $written["{$method} {$path}"] = $operation['security'] === [] ? null : ($operation['security'][1]['token'][0] ?? Scope::NONE);
            self::assertNotSame('', $operation['summary']);
        }
        $there = [];
        foreach (Router::getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'api/') && preg_match('#\{any\?\}|^api/(?:docs|contract|openapi)#', $route->uri()) !== 1) {
                $there[$route->methods()[0] . ' ' . substr($route->uri(), 3)] = $route->getAction('scope');
            }
        }
        ksort($written);
        ksort($there);
        self::assertSame($there, $written);
    }

    /** Each example as a script would send it, with a token of just the scope that the contract names. */
    public function test_its_examples_work(): void
    {
        $ids = $this->prepare();
        $count = 0;
        foreach ($this->operations() as [$method, $path, $operation]) {
            // What only looks needs no example where it needs no words; what has to be made first is looked at by other tests.
            if (!isset($operation['x-example']) && ($method !== 'GET' || $operation['security'] === [] || !isset($operation['security'][1]) || in_array($operation['operationId'], self::MADE_FIRST, true))) {
                continue;
            }
            DB::beginTransaction();
            $address = '/api' . preg_replace_callback('/\{(\w+)\}/', static fn(array $name): string => rawurlencode((string) ($ids[$operation['operationId']] ?? $ids[$name[1]])), $path);
            $answer = $this->asScript($operation['security'][1]['token'][0], $method, $address, $operation['x-example'] ?? []);
            DB::rollBack();
            self::assertTrue($answer->isSuccessful(), "{$operation['operationId']}: {$answer->getStatusCode()} {$answer->getContent()}");
            self::assertArrayHasKey((string) $answer->getStatusCode(), $operation['responses'], $operation['operationId']);
            if (str_contains((string) $answer->headers->get('Content-Type'), 'json') && $operation['operationId'] !== 'drawScenes') {
                Contract::assertMeets($operation['operationId'], $answer);
            }
            ++$count;
        }
        self::assertSame(70, $count);
    }

    /** Whatever makes something, sent twice under one name, makes it once and answers the same. */
    public function test_what_names_itself_is_made_once(): void
    {
        $ids = $this->prepare();
        $tables = ['datasets', 'imports', 'reports', 'report_versions', 'editions', 'edition_files', 'report_links', 'revisions', 'shares', 'teams', 'figure_sets', 'report_checks'];
        $count = static fn(): array => array_combine($tables, array_map(static fn(string $table): int => DB::table($table)->count(), $tables));
        $made = 0;
        foreach ($this->operations() as [$method, $path, $operation]) {
            if ($method !== 'POST' || !isset($operation['security'][1]) || (!isset($operation['x-example']) && $operation['operationId'] !== 'rereadDataset')) {
                continue;
            }
            DB::beginTransaction();
            $address = '/api' . preg_replace_callback('/\{(\w+)\}/', static fn(array $name): string => (string) $ids[$name[1]], $path);
            $send = fn(): TestResponse => $this->asScript($operation['security'][1]['token'][0], $method, $address, $operation['x-example'] ?? [], ['Idempotency-Key' => 'one and the same']);
            $first = $send();
            $between = $count();
            $second = $send();
            self::assertSame($between, $count(), $operation['operationId']);
            DB::rollBack();
            self::assertSame([$first->getStatusCode(), $first->getContent(), 'true'], [$second->getStatusCode(), $second->getContent(), $second->headers->get('Idempotent-Replayed')], $operation['operationId']);
            $made += in_array($first->getStatusCode(), [201, 202], true) ? 1 : 0;
        }
        self::assertSame(15, $made);
    }

    /** @return array<string, int|string> by the name in the path, or, where one operation needs another, by its own */
    private function prepare(): array
    {
        config()->set('mail.default', 'array');
        $dataset = $this->dataset((string) file_get_contents(base_path('demo/spring-inspection.csv')), 'spring-inspection.csv');
        $classes = $this->dataset((string) file_get_contents(base_path('demo/honey-by-experience.csv')), 'honey-by-experience.csv');
        $report = $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'figures', 'title' => 'x', 'address' => 'of=Honey yield'])->json('report');
        $document = $this->getJson("/api/reports/{$report}")->json('document');
        $this->putJson("/api/reports/{$report}", ['version' => 1, 'document' => [...$document, 'title' => 'Honey']])->assertOk();
        $waiting = $this->post('/api/imports', ['file' => UploadedFile::fake()->createWithContent('waiting.csv', "kg\n1.5\n")], ['Accept' => 'application/json'])->json('id');

        return [
            'dataset' => $dataset->id, 'showClasses' => $classes->id, 'report' => $report, 'variable' => 'apiary', 'kind' => 'stack', 'underway' => str_repeat('a', 32),
            'edition' => $this->postJson("/api/reports/{$report}/editions")->json('id'), 'import' => $waiting,
            'upload' => Upload::query()->create(['user_id' => $this->keeper->id, 'file_name' => 'x', 'path' => 'uploads/x', 'bytes_total' => 1, 'bytes_here' => 0])->id,
            'team' => Teams::make($this->keeper, 'x')->id,
            'share' => Share::query()->create(['dataset_id' => $dataset->id, 'email' => 'r@example.org', 'user_id' => $this->account('r')->id, 'role' => 'reader', 'invited_at' => now(), 'expires_at' => now()])->id,
        ];
    }

    /**
     * @param array{query?: string, body?: array<string, mixed>, form?: list<string>} $example
     * @param array<string, string>                                                   $more    heads
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function asScript(string $scope, string $method, string $address, array $example, array $more = []): TestResponse
    {
        $this->app['auth']->forgetGuards();
        $heads = ['Authorization' => 'Bearer ' . Tokens::make($this->keeper, 'x', [Scope::from($scope)], 7), 'Accept' => 'application/json', ...$more];
        if (isset($example['form'])) {
            $form = [];
            foreach ($example['form'] as $field) {
                [$name, $value] = explode('=', $field, 2);
                $path = base_path(substr($value, 1));
                $form[$name] = $value[0] === '@' ? UploadedFile::fake()->createWithContent(basename($path), is_file($path) ? (string) file_get_contents($path) : '<html></html>') : $value;
            }

            return $this->call($method, $address, array_filter($form, is_string(...)), files: array_filter($form, is_object(...)), server: $this->transformHeadersToServerVars($heads));
        }
        $query = isset($example['query']) ? '?' . implode('&', array_map(static fn(string $word): string => implode('=', array_map(rawurlencode(...), explode('=', $word, 2))), explode('&', $example['query']))) : '';

        return $this->json($method, $address . $query, $example['body'] ?? [], $heads);
    }

    /** @return array<string, mixed> */
    private function contract(): array
    {
        return Yaml::parseFile(base_path('api/openapi.yaml'));
    }

    /** @return list<array{string, string, array<string, mixed>}> */
    private function operations(): array
    {
        $operations = [];
        foreach ($this->contract()['paths'] as $path => $of) {
            foreach ($of as $method => $operation) {
                if ($method !== 'parameters') {
                    $operations[] = [strtoupper($method), (string) $path, $operation];
                }
            }
        }

        return $operations;
    }
}
