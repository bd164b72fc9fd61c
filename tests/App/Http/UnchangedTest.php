<?php

declare(strict_types=1);

namespace Tests\App\Http;

use Tests\App\AppTestCase;

/** What a browser has already is asked about, and sent again only where it has changed. */
final class UnchangedTest extends AppTestCase
{
    public function test_an_answer_that_has_not_changed_is_not_sent_again(): void
    {
        $dataset = $this->dataset("kg,site\n20,a\n30,b\n")->id;
        foreach (["datasets/{$dataset}", "datasets/{$dataset}/profile?of=kg", "datasets/{$dataset}/rows"] as $path) {
            $first = $this->getJson("/api/{$path}")->assertOk();
            self::assertStringContainsString('private', (string) $first->headers->get('Cache-Control'));
            $tag = (string) $first->headers->get('ETag');
            self::assertNotSame('', $tag);
            self::assertSame('', $this->getJson("/api/{$path}", ['If-None-Match' => $tag])->assertStatus(304)->getContent());
            $this->postJson("/api/datasets/{$dataset}/changes", ['revision' => $first->json('revision'), 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'kg', 'text' => (string) (40 + (int) $first->json('revision'))]]])->assertSuccessful();
            self::assertNotSame($tag, $this->getJson("/api/{$path}", ['If-None-Match' => $tag])->assertOk()->headers->get('ETag'));
        }
        // Whoever is nobody any more is told so, whatever they have.
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        $this->getJson("/api/datasets/{$dataset}", ['If-None-Match' => '"x"'])->assertUnauthorized();
    }
}
