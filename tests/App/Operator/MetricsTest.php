<?php

declare(strict_types=1);

namespace Tests\App\Operator;

use App\Operator\CountedRequests;
use App\Operator\Metrics;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Tests\App\AppTestCase;

/** What is told of the server to whatever watches it: counts and times, of nobody. */
final class MetricsTest extends AppTestCase
{
    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = storage_path('framework/metrics-test');
        File::deleteDirectory($this->folder);
        File::makeDirectory($this->folder);
        config()->set('operator.access_log', "{$this->folder}/access.log");
    }

    protected function tearDown(): void
    {
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    public function test_there_is_no_such_address_unless_it_is_asked_for_and_not_without_its_secret(): void
    {
        $this->get('/metrics')->assertNotFound();
        config()->set('operator.metrics', 'a secret of the operator');
        $this->get('/metrics')->assertUnauthorized();
        $this->get('/metrics', ['Authorization' => 'Bearer another'])->assertUnauthorized();
        $this->get('/metrics?METRICS_SECRET=a+secret+of+the+operator')->assertUnauthorized();
        $told = $this->get('/metrics', ['Authorization' => 'Bearer a secret of the operator'])->assertOk()->assertHeader('Content-Type', Metrics::TYPE);
        self::assertSame([], $told->headers->getCookies());
        // The format: each family says its kind once and before its samples; a line is a remark or a sample; the end is marked.
        $kinds = [];
        $lines = explode("\n", (string) $told->getContent());
        self::assertSame(['# EOF', ''], array_slice($lines, -2));
        foreach (array_slice($lines, 0, -2) as $line) {
            if (preg_match('/^# TYPE (\w+) (?:counter|gauge|histogram)$/', $line, $found) === 1) {
                self::assertArrayNotHasKey($found[1], $kinds);
                $kinds[$found[1]] = true;
            } elseif ($line[0] !== '#') {
                self::assertMatchesRegularExpression('/^(\w+)(?:\{\w+="(?:[^"\\\\\n]|\\\\.)*"(?:,\w+="(?:[^"\\\\\n]|\\\\.)*")*\})? -?[\d.e+-]+$/', $line);
                self::assertArrayHasKey((string) preg_replace('/\{.*|(?:_total|_bucket|_sum|_count)?(?:\{.*)? [^ ]+$/', '', preg_replace('/(?:_total|_bucket|_sum|_count)(?=[{ ])/', '', $line) ?? ''), $kinds, $line);
            }
        }
        self::assertStringContainsString('rowtally_things{of="users"} 1', (string) $told->getContent());
    }

    public function test_requests_are_counted_by_route_and_go_on_where_the_log_is_turned_over(): void
    {
        $log = "{$this->folder}/access.log";
        $requests = new CountedRequests($log, "{$this->folder}/requests.json");
        $line = static fn(string $method, string $path, int $status, string $seconds): string => "2026-11-28T10:00:00+00:00\t{$method}\t{$path}\t{$status}\t{$seconds}\t100\t127.0.0.0\n";
        self::assertSame([], $requests->all()['count']);
        file_put_contents($log, $line('GET', '/api/datasets/5/profile', 200, '0.040') . $line('GET', '/api/datasets/6/profile', 200, '3.000') . $line('GET', '/api/datasets/6/profile', 422, '0.010') . substr($line('POST', '/api/datasets', 201, '0.1'), 0, 40));
        $counted = $requests->all();
        self::assertSame(['GET /api/datasets/{dataset}/profile 200' => 2, 'GET /api/datasets/{dataset}/profile 422' => 1], $counted['count'], 'half a line is not read');
        self::assertSame([1, 1, 0, 0, 0, 0, 1, 0, 0, 0], $counted['seconds']['/api/datasets/{dataset}/profile']['buckets']);
        self::assertEqualsWithDelta(3.05, $counted['seconds']['/api/datasets/{dataset}/profile']['sum'], 1e-9);
        // The rest of that line comes, the log is turned over, and another begins.
        file_put_contents($log, substr($line('POST', '/api/datasets', 201, '0.1'), 40) . $line('GET', '/build/assets/x.js', 200, '0'), FILE_APPEND);
        copy($log, "{$log}.1");
        file_put_contents($log, $line('PUT', '/api/nothing/of/that', 404, '0') . $line('GET', '/datasets/5/rows', 200, '0') . "rubbish\n" . $line('BREW', '-', 400, '0'));
        self::assertSame([
            'GET /api/datasets/{dataset}/profile 200' => 2, 'GET /api/datasets/{dataset}/profile 422' => 1, 'POST /api/datasets 201' => 1, 'GET the program 200' => 1,
            'PUT nothing there is 404' => 1, 'GET a page 200' => 1, 'other a page 400' => 1,
        ], (new CountedRequests($log, "{$this->folder}/requests.json"))->all()['count']);
    }

    public function test_what_waits_is_told_by_queue(): void
    {
        config()->set('queue.default', 'database');
        DB::table('jobs')->insert(['queue' => 'imports', 'payload' => '{}', 'attempts' => 0, 'reserved_at' => null, 'available_at' => time() - 40, 'created_at' => time() - 40]);
        $told = Metrics::text(new CountedRequests("{$this->folder}/access.log", "{$this->folder}/requests.json"));
        self::assertStringContainsString('rowtally_queue_waiting{queue="imports"} 1', $told);
        self::assertMatchesRegularExpression('/rowtally_queue_oldest_seconds\{queue="imports"\} 4\d\n/', $told);
        self::assertStringContainsString("rowtally_up 1\n", $told);
    }
}
