<?php

declare(strict_types=1);

namespace Tests\App\Accounts;

use App\Accounts\OneTimeCode;
use App\Models\Dataset;
use App\Models\Share;
use App\Models\User;
use Illuminate\Mail\Transport\ArrayTransport;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;
use ZipArchive;

/** Accounts: made by those who want one, confirmed, found again, changed, and gone with all that is theirs. */
final class AccountTest extends AppTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        config()->set('mail.default', 'array');
        config()->set('accounts.register', true);
        $this->signOut();
    }

    public function test_an_account_is_made_confirmed_and_signed_in(): void
    {
        $new = ['name' => 'Ida', 'email' => ' Ida@Example.org ', 'password' => 'nectar-flow'];
        $made = $this->postJson('/api/accounts', $new)->assertStatus(202);
        Contract::assertMeets('makeAccount', $made);
        $this->postJson('/api/session', $new)->assertUnprocessable()->assertJsonFragment(['message' => 'This address is not confirmed yet. Follow the link in the letter; make the account once more for another.']);
        $proof = $this->proofInLetter('ida@example.org', 'confirm');
        $this->postJson('/api/accounts/confirm', ['proof' => $proof . 'x'])->assertUnprocessable();
        Contract::assertMeets('confirmAccount', $this->postJson('/api/accounts/confirm', ['proof' => $proof])->assertOk());
        $this->postJson('/api/session', ['email' => 'IDA@example.org', 'password' => 'nectar-flow'])->assertOk()->assertJsonPath('account.name', 'Ida');
    }

    public function test_who_has_an_account_is_told_by_mail_and_nobody_else(): void
    {
        $same = $this->postJson('/api/accounts', ['name' => 'K', 'email' => 'Keeper@example.org', 'password' => 'another-one'])->assertStatus(202)->getContent();
        self::assertSame($same, $this->postJson('/api/accounts', ['name' => 'K', 'email' => 'new@example.org', 'password' => 'another-one'])->getContent());
        self::assertStringContainsString('which has one', $this->letterTo('keeper@example.org'));
        $this->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => 'another-one'])->assertUnprocessable();
        $this->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => 'nectar-flow'])->assertOk();
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function unusable(): iterable
    {
        yield 'no address' => [['email' => 'ida']];
        yield 'a list' => [['email' => ['ida@example.org']]];
        yield 'a blank name' => [['name' => '   ']];
        yield 'a short password' => [['password' => '1234567']];
        yield 'one sign' => [['password' => 'aaaaaaaaaa']];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('unusable')]
    public function test_what_makes_no_account_is_said(array $change): void
    {
        $this->postJson('/api/accounts', ['name' => 'Ida', 'email' => 'ida@example.org', 'password' => 'nectar-flow', ...$change])->assertUnprocessable();
        self::assertSame(1, User::query()->count());
    }

    public function test_it_can_be_switched_off_limited_to_domains_and_is_throttled(): void
    {
        $make = fn(string $email): int => $this->postJson('/api/accounts', ['name' => 'Ida', 'email' => $email, 'password' => 'nectar-flow'])->status();
        config()->set('accounts.register', false);
        self::assertSame(403, $make('ida@example.org'));
        $this->getJson('/api/session')->assertJsonPath('can_register', false);
        config()->set('accounts.register', true);
        config()->set('accounts.domains', 'fenmoor.example, @hives.example');
        self::assertSame([422, 202, 422, 202], array_map($make, ['ida@example.org', 'ida@Fenmoor.example', 'ida@evil.fenmoor.example', 'ida@hives.example']));
        for ($i = 0; $i < 20; ++$i) {
            RateLimiter::hit('register-from|127.0.0.1', 3600);
        }
        self::assertSame(429, $make('bea@hives.example'));
    }

    public function test_a_forgotten_password_is_set_anew_by_mail_once_and_ends_all_sessions(): void
    {
        $there = $this->postJson('/api/passwords/forgot', ['email' => 'keeper@example.org'])->assertStatus(202);
        Contract::assertMeets('forgetPassword', $there);
        self::assertSame($there->getContent(), $this->postJson('/api/passwords/forgot', ['email' => 'nobody@example.org'])->getContent());
        $proof = $this->proofInLetter('keeper@example.org', 'new-password');
        DB::table('sessions')->insert(['id' => 'elsewhere', 'user_id' => $this->keeper->id, 'payload' => '', 'last_activity' => time()]);
        $this->postJson('/api/passwords/new', ['proof' => $proof, 'password' => 'short'])->assertUnprocessable();
        $this->postJson('/api/passwords/new', ['proof' => 'made up', 'password' => 'quite-another'])->assertUnprocessable();
        Contract::assertMeets('newPassword', $this->postJson('/api/passwords/new', ['proof' => $proof, 'password' => 'quite-another'])->assertOk());
        self::assertSame(0, DB::table('sessions')->where('id', 'elsewhere')->count());
        $this->postJson('/api/passwords/new', ['proof' => $proof, 'password' => 'a-third-one'])->assertUnprocessable();
        $this->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => 'nectar-flow'])->assertUnprocessable();
        $this->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => 'quite-another'])->assertOk();
        // A proof of one kind is none of the other, and ends.
        $this->postJson('/api/accounts/confirm', ['proof' => $proof])->assertUnprocessable();
        $this->signOut();
        $this->travel(2)->minutes();
        $this->postJson('/api/passwords/forgot', ['email' => 'keeper@example.org']);
        $late = $this->proofInLetter('keeper@example.org', 'new-password');
        $this->travel(61)->minutes();
        $this->postJson('/api/passwords/new', ['proof' => $late, 'password' => 'a-third-one'])->assertUnprocessable();
    }

    public function test_a_changed_password_ends_the_other_sessions(): void
    {
        $this->actingAs($this->keeper);
        DB::table('sessions')->insert(['id' => 'elsewhere', 'user_id' => $this->keeper->id, 'ip_address' => '10.0.0.7', 'user_agent' => 'Mozilla/5.0 (X11; Linux x86_64) Firefox/140.0', 'payload' => '', 'last_activity' => time()]);
        $sessions = $this->getJson('/api/account/sessions')->assertOk();
        Contract::assertMeets('listSessions', $sessions);
        self::assertSame(['Firefox on Linux', '10.0.0.7', false], [$sessions->json('0.with'), $sessions->json('0.from'), $sessions->json('0.is_this')]);
        $this->deleteJson('/api/account/sessions/' . hash('sha256', 'nobody'))->assertOk()->assertJsonPath('ended', 0);
        $this->putJson('/api/account/password', ['current_password' => 'wrong', 'password' => 'quite-another'])->assertUnprocessable();
        Contract::assertMeets('changePassword', $this->putJson('/api/account/password', ['current_password' => 'nectar-flow', 'password' => 'quite-another'])->assertOk());
        // Every request of a test is a session of its own: that of this one is left.
        self::assertSame(1, DB::table('sessions')->where('user_id', $this->keeper->id)->count());
        $this->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => 'quite-another'])->assertOk();
    }

    /** Another address is in force once a letter to it was read; what others gave to the old one goes along. */
    public function test_an_address_is_changed_by_a_letter_to_the_new_one(): void
    {
        $this->actingAs($this->keeper);
        $owner = $this->account('owner');
        $dataset = Dataset::query()->create(['user_id' => $owner->id, 'title' => 'x', 'notes' => [], 'rows' => 0, 'revision' => 1]);
        foreach ([['keeper@example.org', $this->keeper->id], ['ada@example.org', null]] as [$email, $user]) {
            Share::query()->create(['dataset_id' => $dataset->id, 'email' => $email, 'user_id' => $user, 'role' => 'reader', 'invited_at' => now(), 'expires_at' => now()->addDay()]);
        }
        $ask = fn(array $change = []) => $this->putJson('/api/account/address', [...['email' => ' Ada@Example.org', 'current_password' => 'nectar-flow'], ...$change]);
        $ask(['current_password' => 'wrong'])->assertUnprocessable();
        $ask(['email' => 'ada'])->assertUnprocessable();
        $ask(['email' => 'аda@example.org'])->assertUnprocessable();
        $told = $ask(['email' => 'owner@example.org'])->assertStatus(202)->json('message');
        self::assertStringContainsString('which has one', $this->letterTo('owner@example.org'));
        Contract::assertMeets('changeAddress', $again = $ask()->assertStatus(202));
        self::assertSame($told, $again->json('message'), 'who has an account is not told');
        self::assertStringContainsString('ada@example.org', $this->letterTo('keeper@example.org'));
        $proof = $this->proofInLetter('ada@example.org', 'confirm');
        self::assertSame('keeper@example.org', $this->keeper->refresh()->email);
        $this->postJson('/api/accounts/confirm', ['proof' => $proof])->assertOk()->assertJsonPath('message', 'The address is changed. Sign in with it from now on.');
        self::assertSame('ada@example.org', $this->keeper->refresh()->email);
        self::assertSame([['ada@example.org', $this->keeper->id]], Share::query()->get()->map(static fn(Share $share): array => [$share->email, $share->user_id])->all());
        // Once, and not after its end.
        $this->postJson('/api/accounts/confirm', ['proof' => $proof])->assertUnprocessable();
        $ask(['email' => 'ida@example.org'])->assertStatus(202);
        $this->travel(3)->days();
        $this->postJson('/api/accounts/confirm', ['proof' => $this->proofInLetter('ida@example.org', 'confirm')])->assertUnprocessable();
    }

    public function test_a_session_of_somebody_else_is_not_ended(): void
    {
        DB::table('sessions')->insert(['id' => 'elsewhere', 'user_id' => $this->account('stranger')->id, 'payload' => '', 'last_activity' => time()]);
        $this->actingAs($this->keeper);
        $this->deleteJson('/api/account/sessions/' . hash('sha256', 'elsewhere'))->assertJsonPath('ended', 0);
        $this->deleteJson('/api/account/sessions')->assertOk();
        self::assertSame(1, DB::table('sessions')->where('id', 'elsewhere')->count());
    }

    public function test_one_time_codes_are_asked_for_once_each_with_codes_for_the_day_without(): void
    {
        $this->actingAs($this->keeper);
        $this->postJson('/api/account/factor', ['current_password' => 'wrong'])->assertUnprocessable();
        $begun = $this->postJson('/api/account/factor', ['current_password' => 'nectar-flow'])->assertOk();
        Contract::assertMeets('beginFactor', $begun);
        $secret = $begun->json('secret');
        $this->postJson('/api/account/factor/confirm', ['code' => '000000'])->assertUnprocessable();
        $this->getJson('/api/account')->assertJsonPath('has_factor', false);
        $confirmed = $this->postJson('/api/account/factor/confirm', ['code' => OneTimeCode::at($secret, time())])->assertOk();
        Contract::assertMeets('confirmFactor', $confirmed);
        $account = $this->getJson('/api/account')->assertOk()->assertJsonPath('has_factor', true)->assertJsonPath('recovery_codes_left', 10);
        Contract::assertMeets('showAccount', $account);
        self::assertStringNotContainsString($secret, (string) DB::table('users')->where('id', $this->keeper->id)->value('factor_secret'), 'it is kept encrypted');
        $this->signOut();

        $sign = fn(?string $code) => $this->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => 'nectar-flow', ...($code === null ? [] : ['code' => $code])]);
        $sign(null)->assertUnprocessable()->assertJsonPath('errors.code.0', 'Type the code of your application, or one of the recovery codes.');
        $sign(OneTimeCode::at($secret, time()))->assertUnprocessable();
        $this->travel(40)->seconds();
        // The clock of the process goes on as it is: a neighbour serves.
        $sign(OneTimeCode::at($secret, time() + 30))->assertOk();
        $this->signOut();
        $sign(OneTimeCode::at($secret, time() + 30))->assertUnprocessable();
        $recovery = $confirmed->json('recovery_codes.3');
        $sign(strtoupper($recovery))->assertOk();
        $this->signOut();
        $sign($recovery)->assertUnprocessable();
        // Without the password none of it is asked.
        $this->postJson('/api/session', ['email' => 'keeper@example.org', 'password' => 'wrong'])->assertUnprocessable()->assertJsonMissingPath('errors.code');

        $this->actingAs($this->keeper->refresh());
        $this->getJson('/api/account')->assertJsonPath('recovery_codes_left', 9);
        self::assertCount(10, $this->postJson('/api/account/factor/recovery-codes', ['current_password' => 'nectar-flow'])->assertOk()->json('recovery_codes'));
        $this->deleteJson('/api/account/factor', ['current_password' => 'nectar-flow'])->assertOk()->assertJsonPath('has_factor', false);
        $this->signOut();
        $sign(null)->assertOk();
    }

    public function test_all_of_ones_own_data_are_taken_out_and_go_with_the_account(): void
    {
        $this->actingAs($this->keeper);
        $dataset = $this->dataset("kg,site\n20,a\n30,b\n", 'hives.csv');
        $report = $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'figures', 'title' => 'kg', 'address' => 'of=kg'])->json('report');
        $this->postJson("/api/reports/{$report}/editions")->assertCreated();
        $this->postJson('/api/datasets', ['title' => 'Empty'])->assertSuccessful();
        $path = (string) tempnam(sys_get_temp_dir(), 'all');
        file_put_contents($path, $this->get('/api/account/data')->assertOk()->streamedContent());
        $zip = new ZipArchive();
        self::assertTrue($zip->open($path));
        $names = array_map(static fn(int $i): string => (string) $zip->getNameIndex($i), range(0, $zip->numFiles - 1));
        foreach (['account.json', "{$dataset->id}-hives/rows.zip", "{$dataset->id}-hives/changes.json", "{$dataset->id}-hives/report-{$report}.json", "{$dataset->id}-hives/report-{$report}-edition-1.json"] as $name) {
            self::assertContains($name, $names);
        }
        self::assertStringNotContainsString('password', (string) $zip->getFromName('account.json'));
        $zip->close();
        unlink($path);

        $other = $this->account('stranger');
        $this->deleteJson('/api/account', ['current_password' => 'wrong'])->assertUnprocessable();
        $this->deleteJson('/api/account', ['current_password' => 'nectar-flow'])->assertNoContent();
        self::assertSame([$other->id], User::query()->pluck('id')->all());
        self::assertSame(0, Dataset::query()->count());
        self::assertSame(0, DB::table('column_chunks')->count());
        self::assertSame([], Storage::allFiles());
        $this->getJson('/api/account')->assertUnauthorized();
    }

    private function signOut(): void
    {
        $this->app['auth']->forgetGuards();
        $this->flushSession();
    }

    private function letterTo(string $address): string
    {
        $transport = Mail::mailer('array')->getSymfonyTransport();
        self::assertInstanceOf(ArrayTransport::class, $transport);
        foreach (array_reverse($transport->messages()->all()) as $sent) {
            if ($sent->getEnvelope()->getRecipients()[0]->getAddress() === $address) {
                return quoted_printable_decode($sent->getOriginalMessage()->toString());
            }
        }
        self::fail("No letter to {$address}.");
    }

    private function proofInLetter(string $address, string $place): string
    {
        self::assertSame(1, preg_match("/\/{$place}#(\S+)/", $this->letterTo($address), $found));

        return $found[1];
    }
}
