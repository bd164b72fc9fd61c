<?php

declare(strict_types=1);

namespace Tests\App\Operator;

use App\Models\User;
use App\Operator\Production;
use Tests\App\AppTestCase;

final class ProductionTest extends AppTestCase
{
    private const SECRETS = ['APP_KEY' => 'base64:a-key-of-this-machine-alone', 'DB_PASSWORD' => 'a-password-of-this-machine'];

    protected function setUp(): void
    {
        parent::setUp();
        config()->set('app.demo', false);
    }

    public function test_nothing_stands_against_an_installation_of_its_own(): void
    {
        self::assertSame([], Production::troubles(self::SECRETS, ['what is in the program']));
    }

    public function test_each_trouble_is_said_with_its_remedy(): void
    {
        $says = static fn(string $words, array $secrets = self::SECRETS, array $known = []) => self::assertStringContainsString($words, implode("\n", Production::troubles($secrets, $known)));
        config()->set('app.debug', true);
        $says('APP_DEBUG is on');
        config()->set('app.debug', false);
        config()->set('app.demo', true);
        $says('The demo is asked for');
        config()->set('app.demo', false);
        $says('DB_PASSWORD is missing or shorter', ['DB_PASSWORD' => 'short'] + self::SECRETS);
        $says('APP_KEY is missing', ['APP_KEY' => ''] + self::SECRETS);
        $says('APP_KEY stands in a file of the program', self::SECRETS, ["key = 'base64:a-key-of-this-machine-alone'"]);
        User::query()->create(['name' => 'Demo', 'email' => Production::DEMO, 'password' => 'fenmoor-fenmoor']);
        $says('ops/artisan tally:account demo@rowtally.example --delete');
    }

    public function test_the_command_refuses_until_the_demo_account_is_gone(): void
    {
        config()->set('app.key', 'base64:' . base64_encode(random_bytes(32)));
        config()->set('database.connections.mariadb.password', bin2hex(random_bytes(16)));
        User::query()->create(['name' => 'Demo', 'email' => Production::DEMO, 'password' => 'fenmoor-fenmoor']);
        $this->artisan('tally:production')->assertExitCode(1);
        $this->artisan('tally:account', ['email' => Production::DEMO, '--delete' => true])->assertExitCode(0);
        $this->artisan('tally:production')->assertExitCode(0);
        $this->artisan('tally:account', ['email' => Production::DEMO, '--delete' => true])->assertExitCode(2);
        self::assertFalse(User::query()->where('email', Production::DEMO)->exists());
    }
}
