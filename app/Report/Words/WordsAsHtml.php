<?php

declare(strict_types=1);

namespace App\Report\Words;

use Closure;

/** Own words as HTML: each figure with its value and its name. */
final class WordsAsHtml
{
    /** Whether a reference leads nowhere. */
    public bool $isMissingBlock = false;
    private int $at = 0;

    /**
     * @param list<ShownField>               $shown    what the figures show, in the order of the text
     * @param Closure(string): (string|null) $numberOf
     */
    public function __construct(private readonly array $shown, private readonly Closure $numberOf) {}

    public function of(OwnWords $words): string
    {
        return implode('', array_map($this->node(...), $words->nodes));
    }

    /** @param array<string, mixed> $node */
    private function node(array $node): string
    {
        $inside = fn(): string => implode('', array_map($this->node(...), self::content($node)));
        $attributes = is_array($node['attrs'] ?? null) ? $node['attrs'] : [];

        return match ($node['type']) {
            'paragraph' => '<p dir="auto">' . $inside() . '</p>',
            'heading' => ($attributes['level'] ?? 3) === 4 ? '<h5 dir="auto">' . $inside() . '</h5>' : '<h4 dir="auto">' . $inside() . '</h4>',
            'bulletList' => '<ul>' . $inside() . '</ul>',
            'orderedList' => (is_int($attributes['start'] ?? null) && $attributes['start'] !== 1 ? "<ol start=\"{$attributes['start']}\">" : '<ol>') . $inside() . '</ol>',
            'listItem' => '<li>' . $inside() . '</li>',
            'hardBreak' => '<br>',
            OwnWords::FIELD => self::marked($node, $this->field()),
            OwnWords::REFERENCE => self::marked($node, $this->reference($attributes['block'] ?? null)),
            default => self::marked($node, e(is_string($node['text'] ?? null) ? $node['text'] : '')),
        };
    }

    private function field(): string
    {
        $field = $this->shown[$this->at++] ?? null;

        return match (true) {
            $field === null => '',
            $field->text === null => '<em class="lacks">[' . e("no {$field->name}: {$field->why}") . ']</em>',
            default => '<data value="' . (is_array($field->value) || $field->value === null ? '' : e(json_encode($field->value, JSON_THROW_ON_ERROR))) . '" title="' . e($field->name) . '">' . e($field->text) . '</data>',
        };
    }

    private function reference(mixed $block): string
    {
        $number = is_string($block) ? ($this->numberOf)($block) : null;
        if ($number === null) {
            $this->isMissingBlock = true;

            return '<em class="lacks">[what stood here is gone]</em>';
        }

        return '<a href="#' . $block . '">' . e($number) . '</a>';
    }

    /** @param array<string, mixed> $node */
    private static function marked(array $node, string $shown): string
    {
        /** @var list<array{type: string, attrs?: array{href: string}}> $marks */
        $marks = $node['marks'] ?? [];
        foreach ($marks as $mark) {
            $shown = match ($mark['type']) {
                'bold' => "<strong>{$shown}</strong>",
                'italic' => "<em>{$shown}</em>",
                default => '<a href="' . e($mark['attrs']['href'] ?? '') . "\" rel=\"noopener noreferrer\">{$shown}</a>",
            };
        }

        return $shown;
    }

    /**
     * @param array<string, mixed> $node
     *
     * @return list<array<string, mixed>>
     */
    private static function content(array $node): array
    {
        /** @var list<array<string, mixed>> $content */
        $content = $node['content'] ?? [];

        return $content;
    }
}
