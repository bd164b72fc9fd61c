<?php

declare(strict_types=1);

namespace Tests\App\Report;

use App\Models\ReportLink;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** A report under a link: for whoever has it, and for nobody else. */
final class SharedTest extends AppTestCase
{
    use Reported;

    public function test_a_link_shows_the_edition_without_an_account(): void
    {
        [$edition, $link] = $this->linked();
        $this->signOut();
        $page = $this->get($link)->assertOk()->assertSee('Figures of the yield')->assertSee('Edition 1');
        $policy = (string) $page->headers->get('Content-Security-Policy');
        self::assertStringContainsString("default-src 'none'", $policy);
        self::assertStringContainsString("script-src 'sha256-", $policy);
        self::assertSame('noindex, nofollow', $page->headers->get('X-Robots-Tag'));
        self::assertSame('no-referrer', $page->headers->get('Referrer-Policy'));
        self::assertDoesNotMatchRegularExpression('/(?:src|href)="https?:/', (string) $page->getContent());
        self::assertSame([], $page->headers->getCookies(), 'nobody is followed');
        self::assertSame(1, ReportLink::query()->value('opened'));
        // Only the forms that are made are there, and no rows.
        $this->get("{$link}/pdf")->assertNotFound();
        $this->get("{$link}/rows")->assertNotFound();
        $this->actingAs($this->keeper);
        $this->file($edition, 'html');
        $this->signOut();
        $this->get($link)->assertSee('To take along');
        $this->get("{$link}/html")->assertOk();
    }

    public function test_rows_are_withheld_unless_readers_may_have_them(): void
    {
        [$edition, $without] = $this->linked(rows: true);
        $this->file($edition, 'html');
        $this->file($edition, 'docx');
        $with = $this->postJson("/api/editions/{$edition}/links", ['rows' => true])->assertCreated();
        Contract::assertMeets('makeLink', $with);
        $this->signOut();
        $this->get("{$without}/rows")->assertNotFound();
        // Nor in a file that they are in.
        $this->get("{$without}/html")->assertNotFound();
        $this->get("{$without}/docx")->assertOk();
        self::assertStringNotContainsString('id="rows"', (string) $this->get($without)->assertOk()->getContent());
        $address = $with->json('path');
        self::assertStringContainsString('A5,South', $this->get("{$address}/rows")->assertOk()->streamedContent());
        $this->get("{$address}/html")->assertOk();
    }

    public function test_of_what_leads_nowhere_nothing_is_told(): void
    {
        [$edition, $link] = $this->linked();
        $expired = $this->postJson("/api/editions/{$edition}/links", ['expires_at' => now()->addHour()->toIso8601String()])->assertCreated();
        $revoked = $this->postJson("/api/editions/{$edition}/links")->assertCreated();
        $this->deleteJson("/api/links/{$revoked->json('id')}")->assertNoContent();
        $this->travel(2)->hours();
        $this->signOut();
        $guessed = (string) $this->get('/shared/' . str_repeat('A', 32))->assertNotFound()->getContent();
        foreach ([$expired->json('path'), $revoked->json('path'), $link . 'x', '/shared/' . str_repeat('x', 400)] as $address) {
            $answer = $this->get($address)->assertNotFound();
            self::assertSame($guessed, (string) $answer->getContent(), 'each alike');
            $this->get("{$address}/html")->assertNotFound();
            $this->post($address, ['passphrase' => 'x'])->assertNotFound();
        }
        self::assertStringNotContainsString('Hives', $guessed);
        $this->actingAs($this->keeper);
        self::assertSame([false], array_column(array_filter($this->getJson("/api/editions/{$edition}")->json('links'), static fn(array $one): bool => $one['id'] === $expired->json('id')), 'is_open'));
    }

    public function test_a_passphrase_is_asked_and_throttled(): void
    {
        [$edition] = $this->linked();
        $this->postJson("/api/editions/{$edition}/links", ['passphrase' => 'short'])->assertUnprocessable();
        $link = $this->postJson("/api/editions/{$edition}/links", ['passphrase' => 'twelve hives'])->assertCreated()->json('path');
        $this->signOut();
        $asked = (string) $this->get($link)->assertOk()->assertSee('A passphrase is asked for')->getContent();
        self::assertStringNotContainsString('Hives', $asked);
        $this->get("{$link}/html")->assertNotFound();
        $this->post($link, ['passphrase' => 'thirteen hives'])->assertForbidden()->assertDontSee('Hives of');
        $this->post($link, ['passphrase' => ['x']])->assertForbidden();
        $opened = $this->post($link, ['passphrase' => 'twelve hives'])->assertStatus(303)->assertHeader('Location', $link);
        $cookie = $opened->headers->getCookies()[0];
        self::assertTrue($cookie->isHttpOnly());
        self::assertSame([$link, 'strict'], [$cookie->getPath(), $cookie->getSameSite()]);
        $this->withUnencryptedCookie($cookie->getName(), (string) $cookie->getValue())->get($link)->assertOk()->assertSee('Figures of the yield');
        $this->unencryptedCookies = [];
        $this->withUnencryptedCookie($cookie->getName(), 'made up')->get($link)->assertSee('A passphrase is asked for');
        for ($i = 0; $i < 8; ++$i) {
            $this->post($link, ['passphrase' => "try {$i}"])->assertForbidden();
        }
        $this->post($link, ['passphrase' => 'twelve hives'])->assertStatus(429)->assertSee('Too many tries');
    }

    public function test_a_link_that_cannot_be_is_refused(): void
    {
        [$edition] = $this->linked();
        $this->postJson("/api/editions/{$edition}/links", ['rows' => true])->assertUnprocessable();
        $this->postJson("/api/editions/{$edition}/links", ['expires_at' => '2001-01-01'])->assertUnprocessable();
        $this->postJson("/api/editions/{$edition}/links", ['expires_at' => ['x']])->assertUnprocessable();
    }

    /** @return array{int, string} an edition and the address of a link to it */
    private function linked(bool $rows = false): array
    {
        [$edition] = $this->edition($this->reported($this->hives()), $rows);

        return [$edition, $this->postJson("/api/editions/{$edition}/links")->assertCreated()->json('path')];
    }

    private function signOut(): void
    {
        $this->app['auth']->forgetGuards();
    }
}
