<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Console\Commands\Prepare;
use App\Http\Requests\SignInRequest;
use App\Models\User;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Session;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

final class SessionTest extends AppTestCase
{
    public function test_the_right_password_signs_in_and_signing_out_ends_it(): void
    {
        Auth::logout();
        $answer = $this->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => 'nectar-flow'])->assertOk();
        Contract::assertMeets('signIn', $answer);
        self::assertSame('keeper', $answer->json('account.name'));
        Contract::assertMeets('showSession', $this->getJson('/api/session')->assertJsonPath('account.email', 'keeper@example.org'));

        Contract::assertMeets('signOut', $this->deleteJson('/api/session')->assertOk());
        $this->getJson('/api/session')->assertJsonPath('account', null);
    }

    public function test_a_wrong_password_gets_one_sentence_that_does_not_say_which_part_was_wrong(): void
    {
        Auth::logout();
        foreach (['keeper@example.org', 'nobody@example.org'] as $email) {
            $answer = $this->postJson('/api/session', ['email' => $email, 'password' => 'wrong'])->assertStatus(422);
            Contract::assertMeets('signIn', $answer);
            self::assertSame('No account has this e-mail address with this password.', $answer->json('message'));
        }
        self::assertGuest();
    }

    public function test_guessing_is_slowed_down(): void
    {
        Auth::logout();
        for ($i = 0; $i < 10; ++$i) {
            $this->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => "guess {$i}"])->assertStatus(422);
        }
        $answer = $this->postJson('/api/session', ['email' => 'Keeper@example.org', 'password' => 'nectar-flow'])->assertStatus(429);
        Contract::assertMeets('signIn', $answer);
    }

    public function test_blanks_and_capitals_around_an_address_change_nothing(): void
    {
        Auth::logout();
        for ($i = 0; $i < 10; ++$i) {
            $this->postJson('/api/session', ['email' => str_repeat(' ', $i) . "Keeper@Example.org\t\u{A0}", 'password' => "guess {$i}"])->assertStatus(422);
        }
        $this->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => 'nectar-flow'])->assertStatus(429);
        self::assertSame('ida@example.org', User::query()->create(['name' => 'Ida', 'email' => ' Ida@Example.ORG ', 'password' => 'nectar-flow'])->email);
        $this->travel(2)->minutes();
        $this->postJson('/api/session', ['email' => ' IDA@example.org', 'password' => 'nectar-flow'])->assertOk();
    }

    public function test_guessing_from_one_place_is_slowed_down_whatever_the_address(): void
    {
        Auth::logout();
        Hash::shouldReceive('check')->times(60)->andReturn(false);
        for ($i = 0; $i < 60; ++$i) {
            $this->postJson('/api/session', ['email' => "nobody{$i}@example.org", 'password' => 'x'])->assertStatus(422);
        }
        $this->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => 'nectar-flow'])->assertStatus(429);
    }

    public function test_an_unknown_address_takes_as_long_as_a_known_one(): void
    {
        Hash::shouldReceive('isHashed')->andReturn(true);
        Hash::shouldReceive('check')->twice()->andReturn(false);
        Auth::logout();
        foreach (['keeper@example.org', 'nobody@example.org'] as $email) {
            $this->postJson('/api/session', ['email' => $email, 'password' => 'wrong'])->assertStatus(422);
        }
        $hash = (new \ReflectionClassConstant(SignInRequest::class, 'HASH_OF_NOBODY'))->getValue();
        self::assertSame(password_get_info(is_string($hash) ? $hash : '')['options'], ['cost' => 12]);
    }

    public function test_a_new_password_ends_every_session(): void
    {
        $cookies = $this->signedIn();
        $this->withCookies($cookies)->get('/api/session')->assertJsonPath('account.name', 'keeper');
        $this->artisan('tally:account', ['email' => 'keeper@example.org', '--password' => 'another-one'])->assertSuccessful();
        $this->forgetAccount();
        $this->withCookies($cookies)->get('/api/session')->assertJsonPath('account', null);
    }

    public function test_the_demo_account_signs_in_only_where_it_is_asked_for(): void
    {
        User::query()->create(['name' => 'Demo', 'email' => Prepare::EMAIL, 'password' => Prepare::PASSWORD]);
        Auth::logout();
        $try = fn() => $this->postJson('/api/session', ['email' => Prepare::EMAIL, 'password' => Prepare::PASSWORD]);
        config()->set('app.demo', false);
        $try()->assertStatus(422);
        config()->set('app.demo', true);
        $try()->assertOk();
    }

    public function test_whose_a_session_is_comes_with_it_and_is_as_it_stands_now(): void
    {
        $cookies = $this->signedIn();
        $asked = [];
        DB::listen(static function (QueryExecuted $query) use (&$asked): void {
            $asked[] = $query->sql;
        });
        $this->withCookies($cookies)->get('/api/session')->assertOk()->assertJsonPath('account.name', 'keeper');
        self::assertCount(1, $asked, implode("\n", $asked));

        User::query()->whereKey($this->keeper->id)->update(['name' => 'Ida']);
        $this->forgetAccount();
        $this->withCookies($cookies)->get('/api/session')->assertJsonPath('account.name', 'Ida');

        $this->keeper->delete();
        $this->forgetAccount();
        $this->withCookies($cookies)->getJson('/api/datasets')->assertUnauthorized();
    }

    public function test_cookies_are_sent_to_whoever_does_not_have_them_and_again_when_they_are_to_last_longer(): void
    {
        $session = config()->string('session.cookie');
        $sent = fn(array $cookies): array => $this->sentCookies($cookies);
        $first = $sent([]);
        self::assertSame([$session, 'XSRF-TOKEN'], array_keys($first));
        self::assertSame([], $sent($first), 'who has both is sent none');
        self::assertSame(['XSRF-TOKEN'], array_keys($sent([$session => $first[$session]])));
        self::assertSame(['XSRF-TOKEN'], array_keys($sent([...$first, 'XSRF-TOKEN' => 'of another session'])));

        DB::table('sessions')->update(['last_activity' => time() - 301]);
        self::assertSame($first, $sent($first), 'the same, to last longer');
        self::assertSame([], $sent($first));

        DB::table('sessions')->delete();
        self::assertSame([$session, 'XSRF-TOKEN'], array_keys($sent($first)), 'one that is gone');
    }

    public function test_sessions_that_are_over_are_removed_between_jobs_and_by_nobody_who_asks(): void
    {
        $over = time() - 60 * config()->integer('session.lifetime');
        foreach (['over' => $over - 10, 'nearly' => $over + 10, 'new' => time()] as $id => $last) {
            DB::table('sessions')->insert(['id' => $id, 'payload' => '', 'last_activity' => $last]);
        }
        self::assertSame(0, config()->array('session.lottery')[0]);
        event(new Looping('database', 'default'));

        self::assertEqualsCanonicalizing(['nearly', 'new'], DB::table('sessions')->pluck('id')->all());
    }

    public function test_whoever_signs_in_has_another_session(): void
    {
        $session = config()->string('session.cookie');
        $before = $this->sentCookies([]);
        Auth::logout();
        $answer = $this->withCookies($before)->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => 'nectar-flow'])->assertOk();

        self::assertNotSame($before[$session], $answer->getCookie($session)?->getValue());
        self::assertNotSame($before['XSRF-TOKEN'], $answer->getCookie('XSRF-TOKEN')?->getValue());
    }

    /**
     * @param array<string, string> $cookies that the browser has
     *
     * @return array<string, string> that it is sent
     */
    private function sentCookies(array $cookies): array
    {
        $this->defaultCookies = [];
        $this->forgetAccount();
        $answer = $this->withCookies($cookies)->get('/api/session')->assertOk();
        $sent = [];
        foreach ([config()->string('session.cookie'), 'XSRF-TOKEN'] as $name) {
            $value = $answer->getCookie($name)?->getValue();
            if ($value !== null) {
                $sent[$name] = $value;
            }
        }

        return $sent;
    }

    public function test_a_session_that_says_another_account_than_its_row_is_asked_for_by_what_it_says(): void
    {
        $cookies = $this->signedIn();
        $other = $this->account('stranger');
        DB::table('sessions')->update(['user_id' => $other->id]);

        $this->withCookies($cookies)->get('/api/session')->assertJsonPath('account.name', 'keeper');
    }

    /** @return array<string, string> the cookies of somebody who has signed in, as a browser keeps them */
    private function signedIn(): array
    {
        Auth::logout();
        $answer = $this->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => 'nectar-flow'])->assertOk();
        $name = config()->string('session.cookie');
        $this->forgetAccount();

        return [$name => $answer->getCookie($name)?->getValue() ?? ''];
    }

    /** The next request is answered by a process that knows nobody yet. */
    private function forgetAccount(): void
    {
        Auth::forgetGuards();
        Session::forgetDrivers();
        $this->app->forgetInstance('session.store');
    }

    public function test_passwords_are_kept_only_hashed(): void
    {
        $kept = User::query()->findOrFail($this->keeper->id)->getAuthPassword();

        self::assertNotSame('nectar-flow', $kept);
        self::assertTrue(Hash::check('nectar-flow', $kept));
    }
}
