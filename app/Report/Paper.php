<?php

declare(strict_types=1);

namespace App\Report;

use Illuminate\Support\Str;

/** A report as it is handed over, before it takes a form. */
final readonly class Paper
{
    /**
     * @param list<PaperBlock>                                                         $blocks
     * @param list<array{name: string, lines: list<array{key: string, text: string}>}> $method how it was done, made by itself
     */
    public function __construct(
        public string $title,
        public string $subtitle,
        public array $blocks,
        public array $method,
        /** Of the dataset. */
        public int $revision,
    ) {}

    /** A name for files. */
    public static function slugOf(string $title): string
    {
        $slug = Str::slug($title);

        return $slug === '' ? 'report' : substr($slug, 0, 80);
    }

    /** The same, with a line below its title. */
    public function under(string $subtitle): self
    {
        return new self($this->title, $subtitle, $this->blocks, $this->method, $this->revision);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'title' => $this->title,
            'subtitle' => $this->subtitle,
            'blocks' => array_map(static fn(PaperBlock $block): array => $block->toArray(), $this->blocks),
            'method' => $this->method,
            'revision' => $this->revision,
        ];
    }

    public static function ofJson(string $json): self
    {
        /** @var array{title: string, subtitle: string, blocks: list<array{id: string, title: string, number: string|null, level: int, svg: string|null, tables: list<array{cells: list<list<string>>, figures: list<array{row: int, column: int, figure: array<string, mixed>}>}>, said: list<string>, words: array<string, mixed>|null, caption: string, figures: list<array<string, mixed>>, lacks: list<string>}>, method: list<array{name: string, lines: list<array{key: string, text: string}>}>, revision: int} $paper */
        $paper = json_decode($json, true, flags: JSON_THROW_ON_ERROR);

        return new self($paper['title'], $paper['subtitle'], array_map(PaperBlock::ofArray(...), $paper['blocks']), $paper['method'], $paper['revision']);
    }
}
