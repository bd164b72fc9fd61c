<?php

declare(strict_types=1);

namespace App\Report;

/**
 * What somebody writes, with figures set into it: paragraphs of text, line breaks and fields, stored as the document of the editor.
 * Nothing else is taken: what is not on the list is refused whole.
 */
final readonly class OwnWords
{
    public const MOST_BYTES = 30_000;
    public const REFUSAL = 'What is written is paragraphs of text with figures in it: at most 30,000 characters with 200 figures.';
    private const MOST_FIELDS = 200;
    private const FIELD = 'figureField';

    /** @param list<list<string|FigureField>> $paragraphs a line break is "\n" */
    private function __construct(public array $paragraphs) {}

    /** @return self|null null where it is none, or too long */
    public static function ofDocument(mixed $document): ?self
    {
        if (!is_array($document) || ($document['type'] ?? null) !== 'doc' || strlen((string) json_encode($document, JSON_INVALID_UTF8_SUBSTITUTE)) > self::MOST_BYTES) {
            return null;
        }
        $paragraphs = [];
        $fields = 0;
        foreach (self::nodes($document) ?? [null] as $paragraph) {
            $nodes = is_array($paragraph) && ($paragraph['type'] ?? null) === 'paragraph' ? self::nodes($paragraph) : null;
            if ($nodes === null) {
                return null;
            }
            $pieces = [];
            foreach ($nodes as $node) {
                $pieces[] = $piece = self::piece($node);
                $fields += $piece instanceof FigureField ? 1 : 0;
                if ($piece === null || $fields > self::MOST_FIELDS) {
                    return null;
                }
            }
            $paragraphs[] = array_values(array_filter($pieces, static fn(string|FigureField|null $piece): bool => $piece !== null));
        }

        return new self($paragraphs);
    }

    public static function ofText(string $text): self
    {
        return new self($text === '' ? [] : array_map(static fn(string $line): array => $line === '' ? [] : [$line], explode("\n", $text)));
    }

    public static function ofStored(string $json): self
    {
        return self::ofDocument(json_decode($json, true)) ?? self::ofText($json);
    }

    public function isEmpty(): bool
    {
        foreach ($this->paragraphs as $pieces) {
            foreach ($pieces as $piece) {
                if ($piece instanceof FigureField || trim($piece) !== '') {
                    return false;
                }
            }
        }

        return true;
    }

    /** @return list<FigureField> in the order of the text */
    public function fields(): array
    {
        return array_values(array_filter(array_merge(...$this->paragraphs), static fn(string|FigureField $piece): bool => $piece instanceof FigureField));
    }

    /** @return array{type: string, content: list<array<string, mixed>>} */
    public function toDocument(): array
    {
        return ['type' => 'doc', 'content' => array_map(static fn(array $pieces): array => ['type' => 'paragraph', ...($pieces === [] ? [] : ['content' => array_map(self::node(...), $pieces)])], $this->paragraphs === [] ? [[]] : $this->paragraphs)];
    }

    /** Without what its fields show. */
    public function toText(): string
    {
        return implode("\n", array_map(static fn(array $pieces): string => implode('', array_filter($pieces, is_string(...))), $this->paragraphs));
    }

    public function toStored(): string
    {
        return $this->isEmpty() ? '' : json_encode($this->toDocument(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }

    /**
     * @param array<mixed> $of
     *
     * @return list<mixed>|null null where it holds no list
     */
    private static function nodes(array $of): ?array
    {
        $content = $of['content'] ?? [];

        return is_array($content) && array_is_list($content) ? $content : null;
    }

    private static function piece(mixed $node): string|FigureField|null
    {
        if (!is_array($node)) {
            return null;
        }
        $text = $node['text'] ?? null;

        return match ($node['type'] ?? null) {
            'text' => is_string($text) && $text !== '' ? $text : null,
            'hardBreak' => "\n",
            self::FIELD => FigureField::ofAttributes($node['attrs'] ?? null),
            default => null,
        };
    }

    /** @return array<string, mixed> */
    private static function node(string|FigureField $piece): array
    {
        return match (true) {
            $piece instanceof FigureField => ['type' => self::FIELD, 'attrs' => $piece->toAttributes()],
            $piece === "\n" => ['type' => 'hardBreak'],
            default => ['type' => 'text', 'text' => $piece],
        };
    }
}
