<?php

declare(strict_types=1);

namespace Tests\App\Report;

use App\Report\FigureField;
use App\Report\OwnWords;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What somebody writes is taken whole, or refused whole. */
final class OwnWordsTest extends TestCase
{
    private const FIELD = ['type' => 'figureField', 'attrs' => ['address' => 'of=yield&by=apiary', 'figure' => 'mean', 'group' => '["2019"]']];

    public function test_paragraphs_breaks_and_fields_come_back_as_they_were(): void
    {
        $document = self::doc([['type' => 'text', 'text' => 'On average '], self::FIELD, ['type' => 'hardBreak'], ['type' => 'text', 'text' => '<b>ق</b> 🐝']], []);
        $words = OwnWords::ofDocument($document);
        self::assertNotNull($words);
        self::assertSame($document, $words->toDocument());
        self::assertSame($document, OwnWords::ofStored($words->toStored())->toDocument());
        self::assertSame("On average \n<b>ق</b> 🐝\n", $words->toText());
        self::assertCount(1, $words->fields());
        self::assertSame(['2019'], $words->fields()[0]->group);
        self::assertFalse($words->isEmpty());
    }

    public function test_plain_text_becomes_paragraphs_and_nothing_is_nothing(): void
    {
        self::assertSame(self::doc([['type' => 'text', 'text' => 'One.']], [], [['type' => 'text', 'text' => '{"a": 1}']]), OwnWords::ofText("One.\n\n{\"a\": 1}")->toDocument());
        self::assertSame('', OwnWords::ofText(" \n ")->toStored());
        self::assertSame('', OwnWords::ofDocument(self::doc([]))?->toStored());
        foreach (['true', '5', '{"type":"doc","content":7}', 'Two hives.'] as $plain) {
            self::assertSame($plain, OwnWords::ofStored($plain)->toText());
        }
    }

    /** @return iterable<string, array{mixed}> */
    public static function refused(): iterable
    {
        yield 'a text' => ['Two hives.'];
        yield 'no document' => [['type' => 'paragraph']];
        yield 'a node that is not on the list' => [self::doc([['type' => 'image', 'attrs' => ['src' => 'x']]])];
        yield 'a paragraph in a paragraph' => [self::doc([['type' => 'paragraph']])];
        yield 'text at the top' => [['type' => 'doc', 'content' => [['type' => 'text', 'text' => 'x']]]];
        yield 'a text that is none' => [self::doc([['type' => 'text', 'text' => 5]])];
        yield 'content by name' => [['type' => 'doc', 'content' => ['a' => ['type' => 'paragraph']]]];
        yield 'a field without a figure' => [self::doc([['type' => 'figureField', 'attrs' => ['address' => 'of=x', 'figure' => '']]])];
        yield 'a field of a group that is no list' => [self::doc([['type' => 'figureField', 'attrs' => ['address' => '', 'figure' => 'n', 'group' => '{"a":1}']]])];
        yield 'a field of a group of numbers' => [self::doc([['type' => 'figureField', 'attrs' => ['address' => '', 'figure' => 'n', 'group' => '[2019]']]])];
        yield 'too long' => [self::doc([['type' => 'text', 'text' => str_repeat('x', OwnWords::MOST_BYTES)]])];
        yield 'too many fields' => [self::doc(array_fill(0, 201, ['type' => 'figureField', 'attrs' => ['address' => '', 'figure' => 'n', 'group' => '']]))];
    }

    #[DataProvider('refused')]
    public function test_anything_else_is_refused(mixed $document): void
    {
        self::assertNull(OwnWords::ofDocument($document));
    }

    public function test_a_group_without_an_entry_is_a_group(): void
    {
        $field = FigureField::ofAttributes(['address' => 'of=x&by=y', 'figure' => 'mean', 'group' => '[null,"a\\"b"]']);
        self::assertSame([null, 'a"b'], $field?->group);
        self::assertSame('[null,"a\\"b"]', $field->toAttributes()['group']);
    }

    /**
     * @param list<array<string, mixed>> ...$paragraphs
     *
     * @return array{type: string, content: list<array<string, mixed>>}
     */
    private static function doc(array ...$paragraphs): array
    {
        return ['type' => 'doc', 'content' => array_map(static fn(array $pieces): array => ['type' => 'paragraph', ...($pieces === [] ? [] : ['content' => $pieces])], array_values($paragraphs))];
    }
}
