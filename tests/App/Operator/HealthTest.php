<?php

declare(strict_types=1);

namespace Tests\App\Operator;

use Illuminate\Support\Facades\DB;
use Tests\App\AppTestCase;

final class HealthTest extends AppTestCase
{
    public function test_it_is_up_without_a_session_until_something_is_wrong(): void
    {
        config()->set('queue.default', 'database');
        $up = $this->get('/up')->assertOk()->assertExactJson(['up' => true, 'troubles' => []]);
        self::assertSame([], $up->headers->getCookies());
        DB::table('jobs')->insert(['queue' => 'default', 'payload' => '{}', 'attempts' => 0, 'reserved_at' => null, 'available_at' => time() - 700, 'created_at' => time() - 700]);
        $this->get('/up')->assertStatus(503)->assertExactJson(['up' => false, 'troubles' => ['Work has waited in the queue for more than ten minutes.']]);
    }

    public function test_a_database_that_does_not_answer_is_said(): void
    {
        config()->set('database.connections.away', ['unix_socket' => '/nowhere.sock', ...config()->array('database.connections.' . DB::getDefaultConnection())]);
        config()->set('database.connections.away.unix_socket', '/nowhere.sock');
        DB::setDefaultConnection('away');
        $this->get('/up')->assertStatus(503)->assertJsonPath('troubles', ['The database does not answer.']);
    }
}
