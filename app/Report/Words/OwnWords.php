<?php

declare(strict_types=1);

namespace App\Report\Words;

/**
 * What somebody writes, with figures and references to blocks set into it, stored as the document of the editor: paragraphs, headings and
 * lists of text that may be bold, italic or a link. Nothing else is taken: what is not on the list is refused whole.
 */
final readonly class OwnWords
{
    public const MOST_BYTES = 30_000;
    public const REFUSAL = 'What is written is paragraphs, headings and lists of text with figures in it, which may be bold, italic or a link (http, https or mailto): at most 30,000 characters with 200 figures.';
    public const FIELD = 'figureField';
    public const REFERENCE = 'blockReference';
    private const MOST_FIELDS = 200;
    private const DEEPEST = 6;

    /** @param list<array<string, mixed>> $nodes clean */
    private function __construct(public array $nodes) {}

    /** @return self|null null where it is none, or too long */
    public static function ofDocument(mixed $document): ?self
    {
        if (!is_array($document) || ($document['type'] ?? null) !== 'doc' || strlen((string) json_encode($document, JSON_INVALID_UTF8_SUBSTITUTE)) > self::MOST_BYTES) {
            return null;
        }
        $nodes = self::nodes($document, self::block(...), 0);

        return $nodes === null || count((new self($nodes))->fields()) > self::MOST_FIELDS ? null : new self($nodes);
    }

    public static function ofText(string $text): self
    {
        return new self($text === '' ? [] : array_map(static fn(string $line): array => ['type' => 'paragraph', ...($line === '' ? [] : ['content' => [['type' => 'text', 'text' => $line]]])], explode("\n", $text)));
    }

    /**
     * A paragraph of texts and figures.
     *
     * @param list<string|FigureField> $pieces
     */
    public static function ofPieces(array $pieces): self
    {
        return new self([['type' => 'paragraph', 'content' => array_map(static fn(string|FigureField $piece): array => is_string($piece) ? ['type' => 'text', 'text' => $piece] : ['type' => self::FIELD, 'attrs' => $piece->toAttributes()], $pieces)]]);
    }

    public function isEmpty(): bool
    {
        $isSaid = static function (array $node) use (&$isSaid): bool {
            $text = $node['text'] ?? '';
            /** @var list<array<string, mixed>> $content */
            $content = $node['content'] ?? [];

            return $node['type'] === self::FIELD || $node['type'] === self::REFERENCE || (is_string($text) && trim($text) !== '') || array_filter($content, $isSaid) !== [];
        };

        return array_filter($this->nodes, $isSaid) === [];
    }

    /** @return list<FigureField> in the order of the text */
    public function fields(): array
    {
        $found = [];
        $walk = static function (array $node) use (&$walk, &$found): void {
            $field = $node['type'] === self::FIELD ? FigureField::ofAttributes($node['attrs'] ?? null) : null;
            if ($field !== null) {
                $found[] = $field;
            }
            /** @var list<array<string, mixed>> $content */
            $content = $node['content'] ?? [];
            array_map($walk, $content);
        };
        array_map($walk, $this->nodes);

        return $found;
    }

    /** @return array{type: string, content: list<array<string, mixed>>} */
    public function toDocument(): array
    {
        return ['type' => 'doc', 'content' => $this->nodes === [] ? [['type' => 'paragraph']] : $this->nodes];
    }

    /** @return array{type: string, content: list<array<string, mixed>>}|null null where nothing is said */
    public function orNothing(): ?array
    {
        return $this->isEmpty() ? null : $this->toDocument();
    }

    /**
     * @param array<mixed>                                      $of
     * @param callable(mixed, int): (array<string, mixed>|null) $each
     *
     * @return list<array<string, mixed>>|null null where it holds no list, or something that is not taken
     */
    private static function nodes(array $of, callable $each, int $depth): ?array
    {
        $content = $of['content'] ?? [];
        if (!is_array($content) || !array_is_list($content) || $depth > self::DEEPEST) {
            return null;
        }
        $nodes = [];
        foreach ($content as $node) {
            $clean = $each($node, $depth + 1);
            if ($clean === null) {
                return null;
            }
            $nodes[] = $clean;
        }

        return $nodes;
    }

    /** @return array<string, mixed>|null */
    private static function block(mixed $node, int $depth): ?array
    {
        if (!is_array($node)) {
            return null;
        }
        $attributes = is_array($node['attrs'] ?? null) ? $node['attrs'] : [];

        return match ($node['type'] ?? null) {
            'paragraph' => self::holding('paragraph', self::nodes($node, self::inline(...), $depth)),
            'heading' => in_array($attributes['level'] ?? null, [3, 4], true) ? self::holding('heading', self::nodes($node, self::inline(...), $depth), ['level' => $attributes['level']]) : null,
            'bulletList' => self::holding('bulletList', self::nodes($node, self::item(...), $depth)),
            'orderedList' => self::holding('orderedList', self::nodes($node, self::item(...), $depth), ['start' => is_int($attributes['start'] ?? null) ? $attributes['start'] : 1, 'type' => null]),
            default => null,
        };
    }

    /** @return array<string, mixed>|null */
    private static function item(mixed $node, int $depth): ?array
    {
        return is_array($node) && ($node['type'] ?? null) === 'listItem' ? self::holding('listItem', self::nodes($node, self::block(...), $depth)) : null;
    }

    /** @return array<string, mixed>|null */
    private static function inline(mixed $node, int $depth): ?array
    {
        if (!is_array($node)) {
            return null;
        }
        $marks = self::marks($node['marks'] ?? []);
        if ($marks === null) {
            return null;
        }
        $text = $node['text'] ?? null;
        $attributes = is_array($node['attrs'] ?? null) ? $node['attrs'] : [];
        $own = match ($node['type'] ?? null) {
            'text' => is_string($text) && $text !== '' ? ['type' => 'text', 'text' => $text] : null,
            'hardBreak' => ['type' => 'hardBreak'],
            self::FIELD => ($field = FigureField::ofAttributes($attributes)) === null ? null : ['type' => self::FIELD, 'attrs' => $field->toAttributes()],
            self::REFERENCE => is_string($attributes['block'] ?? null) && preg_match('/^b[0-9a-f]{4,16}$/D', $attributes['block']) === 1 ? ['type' => self::REFERENCE, 'attrs' => ['block' => $attributes['block']]] : null,
            default => null,
        };

        return $own === null || $marks === [] ? $own : [...$own, 'marks' => $marks];
    }

    /** @return list<array<string, mixed>>|null */
    private static function marks(mixed $marks): ?array
    {
        if (!is_array($marks) || !array_is_list($marks) || count($marks) > 3) {
            return null;
        }
        $clean = [];
        foreach ($marks as $mark) {
            $type = is_array($mark) ? $mark['type'] ?? null : null;
            $href = is_array($mark) && is_array($mark['attrs'] ?? null) ? $mark['attrs']['href'] ?? null : null;
            $own = match (true) {
                $type === 'bold' || $type === 'italic' => ['type' => $type],
                $type === 'link' && is_string($href) && self::isLink($href) => ['type' => 'link', 'attrs' => ['href' => $href]],
                default => null,
            };
            if ($own === null) {
                return null;
            }
            $clean[] = $own;
        }

        return $clean;
    }

    /** To a page or an address, and to nothing that runs. */
    public static function isLink(string $href): bool
    {
        return strlen($href) <= 2000 && preg_match('/^(https?:\/\/[^\s\x00-\x1f<>"]+|mailto:[^\s\x00-\x1f<>"]+)$/Di', $href) === 1;
    }

    /**
     * @param list<array<string, mixed>>|null $content
     * @param array<string, mixed>            $attributes
     *
     * @return array<string, mixed>|null
     */
    private static function holding(string $type, ?array $content, array $attributes = []): ?array
    {
        return $content === null ? null : ['type' => $type, ...($attributes === [] ? [] : ['attrs' => $attributes]), ...($content === [] ? [] : ['content' => $content])];
    }
}
