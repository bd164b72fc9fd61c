<?php

declare(strict_types=1);

namespace App\Report\Words;

use Closure;

/** Own words as Markdown (CommonMark). */
final class WordsAsMarkdown
{
    private int $at = 0;

    /**
     * @param list<ShownField>               $shown    what the figures show, in the order of the text
     * @param Closure(string): (string|null) $numberOf
     */
    public function __construct(private readonly array $shown, private readonly Closure $numberOf) {}

    public function of(OwnWords $words): string
    {
        return $this->blocks($words->nodes);
    }

    /** Whatever Markdown would take for itself stands as it is typed. */
    public static function escaped(string $text): string
    {
        return (string) preg_replace(['/[\\\\`*_{}\[\]<>#|~&]/u', '/^(\s*)([-+]|\d+[.)])(?=\s)/um'], ['\\\\$0', '$1\\\\$2'], $text);
    }

    /** @param list<array<string, mixed>> $nodes */
    private function blocks(array $nodes): string
    {
        return implode("\n\n", array_map($this->block(...), $nodes));
    }

    /** @param array<string, mixed> $node */
    private function block(array $node): string
    {
        /** @var list<array<string, mixed>> $content */
        $content = $node['content'] ?? [];
        $attributes = is_array($node['attrs'] ?? null) ? $node['attrs'] : [];
        $inline = fn(): string => implode('', array_map($this->inline(...), $content));

        return match ($node['type']) {
            'heading' => (($attributes['level'] ?? 3) === 4 ? '##### ' : '#### ') . $inline(),
            'bulletList' => $this->list($content, static fn(int $i): string => '- '),
            'orderedList' => $this->list($content, static fn(int $i): string => $i + (is_int($attributes['start'] ?? null) ? $attributes['start'] : 1) . '. '),
            default => $inline(),
        };
    }

    /**
     * @param list<array<string, mixed>> $items
     * @param Closure(int): string       $sign
     */
    private function list(array $items, Closure $sign): string
    {
        $lines = [];
        foreach ($items as $i => $item) {
            /** @var list<array<string, mixed>> $content */
            $content = $item['content'] ?? [];
            $before = $sign($i);
            $lines[] = $before . str_replace("\n", "\n" . str_repeat(' ', strlen($before)), $this->blocks($content));
        }

        return implode("\n", $lines);
    }

    /** @param array<string, mixed> $node */
    private function inline(array $node): string
    {
        $attributes = is_array($node['attrs'] ?? null) ? $node['attrs'] : [];
        $text = match ($node['type']) {
            'hardBreak' => "  \n",
            OwnWords::FIELD => self::escaped($this->field()),
            OwnWords::REFERENCE => self::escaped(is_string($attributes['block'] ?? null) ? ($this->numberOf)($attributes['block']) ?? '[what stood here is gone]' : ''),
            default => self::escaped(is_string($node['text'] ?? null) ? $node['text'] : ''),
        };
        /** @var list<array{type: string, attrs?: array{href: string}}> $marks */
        $marks = $node['marks'] ?? [];
        foreach ($marks as $mark) {
            $text = match ($mark['type']) {
                'bold' => "**{$text}**",
                'italic' => "*{$text}*",
                default => "[{$text}](<" . ($mark['attrs']['href'] ?? '') . '>)',
            };
        }

        return $text;
    }

    private function field(): string
    {
        $field = $this->shown[$this->at++] ?? null;

        return $field === null ? '' : $field->text ?? "[no {$field->name}: {$field->why}]";
    }
}
