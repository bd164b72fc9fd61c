<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Store\Word;
use App\Store\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Yaml\Yaml;
use Tests\App\AppTestCase;

/** The words of a question stand in one place: what the contract, the page and the command line say of them comes from there. */
final class WordsTest extends AppTestCase
{
    /** @return iterable<string, array{string, list<Word>}> */
    public static function schemas(): iterable
    {
        yield 'of a question' => ['Question', Words::ofQuestion()];
        yield 'of classes' => ['ClassWords', Words::ofClasses()];
    }

    /** @param list<Word> $words */
    #[DataProvider('schemas')]
    public function test_the_contract_says_what_requests_are_held_to(string $schema, array $words): void
    {
        $properties = Yaml::parseFile(base_path('api/openapi.yaml'))['components']['schemas'][$schema]['properties'];

        self::assertSame(array_column($words, 'name'), array_keys($properties), 'run: php api/words.php');
        foreach ($words as $word) {
            self::assertSame([$word->most === null ? $word->values() : null, $word->most], [$properties[$word->name]['enum'] ?? null, $properties[$word->name]['maxLength'] ?? null], $word->name);
            self::assertStringStartsWith(ucfirst($word->description), $properties[$word->name]['description']);
        }
    }

    public function test_a_value_that_is_not_among_the_choices_is_refused_by_every_word(): void
    {
        $dataset = $this->dataset("x\n1\n2\n");
        foreach (Words::ofQuestion() as $word) {
            $value = $word->most === null ? 'nothing-like-it' : str_repeat('9', $word->most + 1);
            $message = $this->getJson("/api/datasets/{$dataset->id}/profile?of=x&{$word->name}={$value}")->assertUnprocessable()->json('message');
            self::assertStringStartsWith($word->refusal(), $message);
        }
    }

    public function test_what_is_said_to_hold_by_default_does(): void
    {
        $dataset = $this->dataset("g,x\na,1\na,2\nb,4\nb,8\nb,\n");
        $plain = $this->getJson("/api/datasets/{$dataset->id}/profile?of=x&by=g")->assertOk()->json();
        foreach (Words::ofQuestion() as $word) {
            if ($word->default !== '') {
                self::assertSame($plain, $this->getJson("/api/datasets/{$dataset->id}/profile?of=x&by=g&{$word->name}=" . urlencode($word->default))->assertOk()->json(), $word->name);
            }
        }
    }

    public function test_the_page_brings_them_along(): void
    {
        $page = (string) $this->get('/datasets')->assertOk()->getContent();
        self::assertSame(1, preg_match('/<script type="application\/json" id="conventions">(.*?)<\/script>/s', $page, $found));

        self::assertSame($this->getJson('/api/conventions')->assertOk()->json(), json_decode($found[1], true));
    }
}
