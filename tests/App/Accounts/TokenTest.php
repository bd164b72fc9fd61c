<?php

declare(strict_types=1);

namespace Tests\App\Accounts;

use App\Accounts\Scope;
use App\Accounts\Tokens;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** Tokens for scripts: made and revoked by whoever knows the password, never by a token. */
final class TokenTest extends AppTestCase
{
    public function test_one_is_made_told_once_used_and_revoked(): void
    {
        $made = $this->postJson('/api/account/tokens', ['name' => 'Nightly', 'scopes' => ['read'], 'days' => 30, 'current_password' => 'nectar-flow'])->assertCreated();
        Contract::assertMeets('makeToken', $made);
        $token = $made->json('token');
        self::assertMatchesRegularExpression('/^\d+\|rowtally_[A-Za-z0-9]{48}$/', $token);
        self::assertStringNotContainsString(explode('|', $token)[1], (string) json_encode(DB::table('personal_access_tokens')->get()));
        $this->by($token, 'GET', 'datasets')->assertOk();
        $this->actingAs($this->keeper, 'web');
        $list = $this->getJson('/api/account/tokens')->assertOk();
        Contract::assertMeets('listTokens', $list);
        self::assertSame([['Nightly', ['read'], false]], array_map(static fn(array $one): array => [$one['name'], $one['scopes'], $one['has_ended']], $list->json()));
        self::assertNotNull($list->json('0.last_used'));
        Contract::assertMeets('revokeToken', $this->deleteJson("/api/account/tokens/{$list->json('0.id')}")->assertOk()->assertExactJson([]));
        Contract::assertMeets('revokeToken', $this->deleteJson("/api/account/tokens/{$list->json('0.id')}")->assertNotFound());
        $this->by($token, 'GET', 'datasets')->assertUnauthorized()->assertJsonPath('message', 'This token is not a good one, or has ended, or was revoked. Make another under Account.');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function bad(): iterable
    {
        yield 'no name' => [['name' => ' '], 'Say what'];
        yield 'no scope' => [['scopes' => []], 'Choose what'];
        yield 'a scope there is not' => [['scopes' => ['read', '*']], 'read, change, own'];
        yield 'scopes by name' => [['scopes' => ['a' => 'read']], 'Choose what'];
        yield 'for ever' => [['days' => 100000], '7, 30, 90, 365'];
        yield 'the wrong password' => [['current_password' => 'nectar'], 'not the password'];
    }

    /** @param array<string, mixed> $words */
    #[DataProvider('bad')]
    public function test_what_is_asked_wrongly_is_refused_in_words(array $words, string $says): void
    {
        $answer = $this->postJson('/api/account/tokens', [...['name' => 'x', 'scopes' => ['read'], 'days' => 7, 'current_password' => 'nectar-flow'], ...$words])->assertUnprocessable();
        self::assertStringContainsString($says, $answer->json('message'));
        self::assertSame(0, DB::table('personal_access_tokens')->count());
    }

    public function test_of_another_account_it_can_be_neither_seen_nor_revoked(): void
    {
        $token = $this->token($this->keeper, Scope::Read);
        $this->actingAs($this->account('stranger'), 'web');
        self::assertSame([], $this->getJson('/api/account/tokens')->json());
        $this->deleteJson('/api/account/tokens/' . explode('|', $token)[0])->assertNotFound();
        $this->by($token, 'GET', 'datasets')->assertOk();
    }

    public function test_one_that_has_ended_opens_nothing(): void
    {
        $token = $this->token($this->keeper, Scope::Read);
        $this->by($token, 'GET', 'datasets')->assertOk();
        $this->travel(8)->days();
        $this->by($token, 'GET', 'datasets')->assertUnauthorized();
        $this->actingAs($this->keeper, 'web');
        self::assertTrue($this->getJson('/api/account/tokens')->json('0.has_ended'));
    }

    /** Addresses are kept in logs and histories, whatever name the token comes under there, and whoever asks. */
    public function test_in_an_address_it_is_refused(): void
    {
        $token = $this->token($this->keeper, Scope::Read);
        foreach (["token={$token}", "access_token={$token}", 'of=' . urlencode("x {$token} y"), 'a[b]=' . urlencode($token), 'API_TOKEN=1'] as $query) {
            self::assertStringContainsString('Revoke that token', $this->getJson("/api/datasets?{$query}")->assertStatus(400)->json('message'), $query);
        }
        $this->getJson('/api/datasets?of=tokens')->assertOk();
    }

    /** A session beside a token counts for nothing: what the token may not do is not done. */
    public function test_a_session_beside_it_does_not_help(): void
    {
        $this->actingAs($this->account('other'), 'web');
        $this->withHeader('Authorization', 'Bearer ' . $this->token($this->keeper, Scope::Read))->postJson('/api/datasets', ['title' => 'x'])->assertForbidden();
        $this->by('nonsense', 'GET', 'datasets')->assertUnauthorized();
        $this->by('99999999999999999999|x', 'GET', 'datasets')->assertUnauthorized();
    }

    public function test_tokens_end_with_a_forgotten_password_and_with_the_account(): void
    {
        $token = $this->token($this->keeper, Scope::Read, Scope::Own);
        $this->by($token, 'DELETE', 'account', ['current_password' => 'nectar-flow'])->assertForbidden()->assertJsonPath('message', 'No token may do this: sign in with the password of the account.');
        $this->actingAs($this->keeper, 'web');
        $this->deleteJson('/api/account', ['current_password' => 'nectar-flow'])->assertNoContent();
        self::assertSame(0, DB::table('personal_access_tokens')->count());
    }

    public function test_there_are_so_many_and_no_more(): void
    {
        for ($number = 0; $number < Tokens::MOST; ++$number) {
            self::assertNotNull(Tokens::make($this->keeper, 'x', [Scope::Read], 7));
        }
        $this->postJson('/api/account/tokens', ['name' => 'x', 'scopes' => ['read'], 'days' => 7, 'current_password' => 'nectar-flow'])->assertUnprocessable();
    }

    /** When it was used is noted to a minute, so that asking often writes nothing. */
    public function test_its_use_is_noted_once_a_minute(): void
    {
        $this->freezeTime();
        $token = $this->token($this->keeper, Scope::Read);
        $seen = [];
        foreach ([0, 30, 40] as $seconds) {
            $this->travel($seconds)->seconds();
            $this->by($token, 'GET', 'datasets')->assertOk();
            $seen[] = DB::table('personal_access_tokens')->value('last_used_at');
        }
        self::assertSame($seen[0], $seen[1]);
        self::assertNotSame($seen[1], $seen[2]);
    }

    private function token(User $user, Scope ...$scopes): string
    {
        return (string) Tokens::make($user, 'test', array_values($scopes), 7);
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function by(string $token, string $method, string $path, array $body = []): TestResponse
    {
        $this->app['auth']->forgetGuards();

        return $this->json($method, "/api/{$path}", $body, ['Authorization' => "Bearer {$token}"]);
    }
}
