<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Http\PlaceFiles;
use Illuminate\Support\Facades\Auth;
use Tests\App\AppTestCase;

/** The page comes with what its place would ask for first: the same answers, and to nobody else. */
final class PageTest extends AppTestCase
{
    /** @return array<string, mixed> */
    private function started(string $path): array
    {
        $page = (string) $this->get($path)->assertOk()->getContent();
        self::assertSame(1, preg_match('#<script type="application/json" id="started">(.*?)</script>#s', $page, $part));

        return (array) json_decode($part[1], true, 512, JSON_THROW_ON_ERROR);
    }

    public function test_a_place_has_what_it_would_be_answered(): void
    {
        $dataset = $this->dataset("kg,Site\n1.5,</script><b>\n2,b\n");
        $started = $this->started("/datasets/{$dataset->id}/profile?of=kg");

        self::assertSame($this->getJson('/api/session')->json(), $started['session']);
        self::assertSame($this->getJson("/api/datasets/{$dataset->id}")->json(), $started['dataset']);
        self::assertSame($this->getJson('/api/figures')->json(), $started['figures']);
        self::assertSame(['words' => ['of' => 'kg'], 'answer' => $this->getJson("/api/datasets/{$dataset->id}/profile?of=kg")->json()], $started['answered']);
        self::assertSame($this->getJson("/api/datasets/{$dataset->id}/overview?by=site")->json(), $this->started("/datasets/{$dataset->id}/profile?by=site&plots=boxes")['answered']['answer']);
        self::assertArrayNotHasKey('answered', $this->started("/datasets/{$dataset->id}/rows"));
        self::assertSame(['session'], array_keys($this->started('/datasets')));
    }

    public function test_nobody_has_what_is_anothers(): void
    {
        $dataset = $this->dataset("kg\n1\n2\n");
        $this->actingAs($this->account('stranger'));
        self::assertSame(['session'], array_keys($this->started("/datasets/{$dataset->id}/profile")));
        self::assertSame(['session'], array_keys($this->started('/datasets/999999/profile')));
        Auth::forgetGuards();
        $this->flushSession();
        self::assertSame([], $this->started("/datasets/{$dataset->id}/profile"));
    }

    public function test_what_a_place_is_made_of_is_there(): void
    {
        foreach (PlaceFiles::sources() as $source) {
            self::assertFileExists(resource_path("js/{$source}"));
        }
    }

    public function test_the_question_of_a_profile_is_asked_ahead_where_its_words_are_those_of_the_page(): void
    {
        // Whoever answered on the way in that a variable holds counts begins with them, and not with figures that do not know them.
        $counted = $this->dataset("age,n\n1,2\n3,4\n");
        $counted->forceFill(['counts' => 'n'])->save();
        self::assertArrayNotHasKey('answered', $this->started("/datasets/{$counted->id}/profile"));
        self::assertArrayHasKey('answered', $this->started("/datasets/{$counted->id}/profile?counts=n"));
        // So many rows that to work them out takes longer than the page may.
        $dataset = $this->dataset("kg,age,Site\n1,2,a\n");
        $dataset->forceFill(['rows' => 5_000_000])->save();
        $profile = "/datasets/{$dataset->id}/profile";
        $asked = function (string $path): array {
            preg_match_all('#<link rel="preload" as="fetch" crossorigin="anonymous" href="([^"]*)">#', (string) $this->get($path)->assertOk()->getContent(), $found);

            return array_map(html_entity_decode(...), $found[1]);
        };

        self::assertSame(["/api{$profile}?of=kg%2Cage&by=site&quartiles=hf7"], $asked("{$profile}?of=kg,age&by=site&quartiles=hf7&plots=boxes"));
        self::assertSame(["/api/datasets/{$dataset->id}/overview"], $asked($profile));
        self::assertSame(['/api/datasets'], $asked('/datasets'));
        self::assertSame([], $asked($profile . '?of=kg&where="a b" > 2'));
        self::assertSame([], $asked("/datasets/{$dataset->id}/rows"));
        self::assertSame([], $asked($profile . '?of[]=kg'));
    }

    public function test_the_figures_are_in_the_page_before_its_scripts_are(): void
    {
        $dataset = $this->dataset("kg,Site\n1.5,<b>x\n2,<b>x\n4.25,y\n");
        $cells = function (string $path): array {
            preg_match_all('#<td data-figure="(?:mean|min)"[^>]*>([^<]*)#', (string) $this->get($path)->assertOk()->assertDontSee('<b>x', false)->getContent(), $found);

            return $found[1];
        };

        self::assertSame(['2.583', '1.750', '4.250', '1.50', '1.50', '4.25'], $cells("/datasets/{$dataset->id}/profile?of=kg&by=site"));
        self::assertSame(['2.583', '1.50'], $cells("/datasets/{$dataset->id}/profile"));
        // What makes no sense is said by the page.
        self::assertSame([], $cells("/datasets/{$dataset->id}/profile?of=nothing"));
        self::assertSame([], $cells("/datasets/{$dataset->id}/profile?quartiles=none"));
        self::assertSame([], $cells("/datasets/{$dataset->id}/rows"));

        $this->patchJson('/api/account', ['numbers' => ['decimal' => 'comma', 'thousands' => 'counts', 'minus' => 'minus', 'days' => 'year-first']])->assertOk();
        self::assertSame(['2,583', '1,50'], $cells("/datasets/{$dataset->id}/profile"));
    }

    public function test_the_look_is_the_one_of_last_time(): void
    {
        $this->get('/datasets')->assertDontSee('data-theme', false);
        $this->withUnencryptedCookie('look', 'dark')->get('/datasets')->assertSee('data-theme="dark"', false);
        $this->withUnencryptedCookie('look', '"><script>')->get('/datasets')->assertDontSee('data-theme', false);
    }
}
