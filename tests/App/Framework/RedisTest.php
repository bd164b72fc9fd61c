<?php

declare(strict_types=1);

namespace Tests\App\Framework;

use App\Framework\KeptSessions;
use App\Framework\RedisSession;
use App\Framework\SessionsInDatabase;
use App\Imports\RunImport;
use App\Operator\Queues;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Redis;
use Tests\App\AppTestCase;
use Tests\App\Support\OwnRedis;

/** What is kept in Redis where the settings say so: sessions, cache, locks, limits and the queue. */
final class RedisTest extends AppTestCase
{
    private OwnRedis $server;

    protected function setUp(): void
    {
        parent::setUp();
        $this->server = new OwnRedis();
        foreach (['default', 'cache'] as $connection) {
            config()->set("database.redis.{$connection}.port", $this->server->port);
        }
        config()->set(['session.driver' => 'redis-when-changed', 'cache.default' => 'redis', 'queue.default' => 'redis']);
    }

    protected function tearDown(): void
    {
        $this->server->stop();
        parent::tearDown();
    }

    public function test_a_session_is_kept_and_written_only_when_something_changes(): void
    {
        $sessions = $this->sessionsOf(7);
        self::assertSame('', $sessions->read('one'));
        self::assertTrue($sessions->write('one', 'a'));
        self::assertSame('a', $sessions->read('one'));
        Redis::command('hset', ['session:one', 'agent', 'marked']);
        $sessions->write('one', 'a');
        self::assertSame('marked', $sessions->of(7)[0]->agent, 'nothing had changed');
        $sessions->write('one', 'b');
        self::assertSame(['b', 'Firefox/1'], [$sessions->read('one'), $sessions->of(7)[0]->agent]);
        self::assertGreaterThan(1000, Redis::command('ttl', ['session:one']));

        // One that has rested is written again, so that it stays alive.
        Redis::command('hset', ['session:one', 'last', (string) (time() - 400)]);
        $sessions->read('one');
        $sessions->write('one', 'b');
        self::assertGreaterThan(time() - 5, $sessions->of(7)[0]->lastSeen);
    }

    public function test_an_account_sees_its_sessions_and_ends_them(): void
    {
        [$own, $other] = [$this->sessionsOf(7), $this->sessionsOf(8)];
        $own->write('here', 'x');
        $own->write('there', 'x');
        $other->write('elsewhere', 'x');

        self::assertEqualsCanonicalizing(['here', 'there'], array_column($own->of(7), 'name'));
        self::assertFalse($own->end(7, 'elsewhere'), 'not theirs');
        self::assertTrue($own->end(7, 'there'));
        self::assertSame(['here'], array_column($own->of(7), 'name'));
        Redis::command('del', ['session:here']);
        self::assertSame([], $own->of(7), 'one that has run out is listed no more');
        $own->write('again', 'y');
        $own->endAll(7);
        self::assertSame(['', 'x'], [$own->read('again'), $own->read('elsewhere')]);
        self::assertSame(0, $own->gc(1));
    }

    public function test_signing_in_is_kept_there_and_seen_among_the_sessions(): void
    {
        // What was made before the settings said so.
        app('session')->forgetDrivers();
        $this->app?->forgetInstance('session.store');
        auth()->forgetGuards();
        $this->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => 'nectar-flow'], ['User-Agent' => 'Mozilla/5.0 (Windows) Firefox/140.0'])->assertSuccessful();

        $kept = app(KeptSessions::class);
        self::assertInstanceOf(RedisSession::class, $kept);
        self::assertSame(['Mozilla/5.0 (Windows) Firefox/140.0'], array_column($kept->of($this->keeper->id), 'agent'));
        self::assertSame(0, DB::table('sessions')->count());
        config()->set('session.driver', 'database-when-changed');
        self::assertInstanceOf(SessionsInDatabase::class, app(KeptSessions::class));
    }

    public function test_work_waits_in_the_queue_and_is_counted(): void
    {
        Queue::push(new RunImport(12), '', 'imports');

        self::assertSame([1, 0, 0], [Queues::waiting('imports'), Queues::waiting('default'), Queues::running('imports')]);
        self::assertSame(0, DB::table('jobs')->count());
        self::assertNotNull(Queue::pop('imports'));
        self::assertSame([0, 1], [Queues::waiting('imports'), Queues::running('imports')]);
        $this->get('/up')->assertOk();
    }

    public function test_limits_and_locks_are_kept_there(): void
    {
        RateLimiter::hit('somebody');
        self::assertSame('1', (string) RateLimiter::attempts('somebody'));
        self::assertTrue(Cache::lock('it', 10)->get());
        self::assertFalse(Cache::lock('it', 10)->get());
        self::assertSame(0, DB::table('cache')->count() + DB::table('cache_locks')->count());
    }

    public function test_a_redis_that_does_not_answer_is_said(): void
    {
        $this->server->stop();

        $this->get('/up')->assertStatus(503)->assertJsonPath('troubles', ['The queue does not answer.']);
        $this->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => 'nectar-flow'])->assertStatus(503)
            ->assertJsonPath('message', 'What keeps sessions and the queue (Redis) does not answer just now. Try again in a moment; if it stays so, tell whoever runs this server.');
    }

    private function sessionsOf(int $user): RedisSession
    {
        return new RedisSession(static fn() => Redis::connection('default'), 3600, static fn(): array => ['user' => $user, 'address' => '127.0.0.1', 'agent' => 'Firefox/1']);
    }
}
