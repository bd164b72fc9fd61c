<?php

declare(strict_types=1);

namespace Tests\App\Report;

use App\Report\Words\FigureField;
use App\Report\Words\OwnWords;
use App\Report\Words\WordsAsHtml;
use App\Report\Words\WordsAsMarkdown;
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
        self::assertCount(1, $words->fields());
        self::assertSame(['2019'], $words->fields()[0]->group);
        self::assertFalse($words->isEmpty());
    }

    public function test_plain_text_becomes_paragraphs_and_nothing_is_nothing(): void
    {
        self::assertSame(self::doc([['type' => 'text', 'text' => 'One.']], [], [['type' => 'text', 'text' => '{"a": 1}']]), OwnWords::ofText("One.\n\n{\"a\": 1}")->toDocument());
        self::assertNull(OwnWords::ofText(" \n ")->orNothing());
        self::assertNull(OwnWords::ofDocument(self::doc([]))?->orNothing());
    }

    public function test_headings_lists_links_and_marks_are_taken(): void
    {
        $item = static fn(string $text): array => ['type' => 'listItem', 'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $text]]]]];
        $document = ['type' => 'doc', 'content' => [
            ['type' => 'heading', 'attrs' => ['level' => 3], 'content' => [['type' => 'text', 'text' => 'In short']]],
            ['type' => 'bulletList', 'content' => [$item('one'), ['type' => 'listItem', 'content' => [['type' => 'paragraph'], ['type' => 'orderedList', 'attrs' => ['start' => 2, 'type' => null], 'content' => [$item('two')]]]]]],
            ['type' => 'paragraph', 'content' => [
                ['type' => 'text', 'text' => 'bold', 'marks' => [['type' => 'bold'], ['type' => 'italic']]],
                ['type' => 'text', 'text' => 'there', 'marks' => [['type' => 'link', 'attrs' => ['href' => 'https://example.org/a?b=1&c=2']]]],
                ['type' => 'blockReference', 'attrs' => ['block' => 'b12345']],
            ]],
        ]];
        $words = OwnWords::ofDocument($document);
        self::assertNotNull($words);
        self::assertSame($document, $words->toDocument());
        $html = (new WordsAsHtml([], static fn(string $block): string => $block === 'b12345' ? 'Table 2' : ''))->of($words);
        self::assertSame('<h4 dir="auto">In short</h4><ul><li><p dir="auto">one</p></li><li><p dir="auto"></p><ol start="2"><li><p dir="auto">two</p></li></ol></li></ul><p dir="auto"><em><strong>bold</strong></em><a href="https://example.org/a?b=1&amp;c=2" rel="noopener noreferrer">there</a><a href="#b12345">Table 2</a></p>', $html);
        self::assertSame("#### In short\n\n- one\n- \n  \n  2. two\n\n***bold***[there](<https://example.org/a?b=1&c=2>)Table 2", (new WordsAsMarkdown([], static fn(string $block): string => 'Table 2'))->of($words));
    }

    /** @return iterable<string, array{string}> */
    public static function links(): iterable
    {
        foreach (['javascript:alert(1)', 'JavaScript:alert(1)', 'data:text/html,x', 'file:///etc/passwd', '//example.org', 'https://a b', 'https://a"onclick=x', 'ftp://a', ''] as $link) {
            yield $link => [$link];
        }
    }

    #[DataProvider('links')]
    public function test_a_link_to_anything_else_is_refused(string $link): void
    {
        self::assertNull(OwnWords::ofDocument(self::doc([['type' => 'text', 'text' => 'x', 'marks' => [['type' => 'link', 'attrs' => ['href' => $link]]]]])));
        self::assertTrue(OwnWords::isLink('mailto:a@example.org'));
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
        yield 'an unknown mark' => [self::doc([['type' => 'text', 'text' => 'x', 'marks' => [['type' => 'underline']]]])];
        yield 'a heading of another level' => [['type' => 'doc', 'content' => [['type' => 'heading', 'attrs' => ['level' => 1]]]]];
        yield 'a reference that is no name' => [self::doc([['type' => 'blockReference', 'attrs' => ['block' => '<b>']]])];
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
