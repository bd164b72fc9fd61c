<?php

declare(strict_types=1);

namespace App\Report;

use App\Report\Forms\PaperSvg;
use App\Report\Record\StatedFigure;
use App\Report\Words\WrittenWords;

/** One block of a report as it is handed over: everything in it is text by now. */
final readonly class PaperBlock
{
    /**
     * @param string|null        $number  such as "Figure 2", "Table 1"; null where it is neither
     * @param int                $level   of a heading, 1 or 2; 0 = none
     * @param string|null        $svg     of a picture
     * @param list<PaperTable>   $tables
     * @param list<string>       $said    sentences that rules said, or somebody instead of them
     * @param string             $caption what it rests on; '' = nothing
     * @param list<StatedFigure> $figures those that stand neither in a table nor in own words
     * @param list<string>       $lacks   what in it has come to nothing, and why
     */
    public function __construct(
        public string $id,
        public string $title,
        public ?string $number,
        public int $level = 0,
        public ?string $svg = null,
        public array $tables = [],
        public array $said = [],
        public ?WrittenWords $words = null,
        public string $caption = '',
        public array $figures = [],
        public array $lacks = [],
    ) {}

    /** Without what can be typed over beside it: its title, its own caption, its words. */
    public function bare(string $ownCaption): self
    {
        $caption = str_starts_with($this->caption, $ownCaption) ? trim(substr($this->caption, strlen($ownCaption))) : $this->caption;

        return new self($this->id, '', null, $this->level, $this->svg, $this->tables, $this->said, null, $caption, $this->figures, $this->lacks);
    }

    /** @return list<StatedFigure> all that it states, in the order of the page */
    public function stated(): array
    {
        return [
            ...$this->figures,
            ...array_merge(...array_map(static fn(PaperTable $table): array => $table->figures(), $this->tables)),
            ...($this->words === null ? [] : $this->words->figures),
        ];
    }

    /** What a picture is called that cannot be seen. */
    public function alternative(): string
    {
        return preg_match('/ aria-label="([^"]*)"/', $this->svg ?? '', $named) === 1 ? html_entity_decode($named[1], ENT_QUOTES | ENT_XML1) : $this->title;
    }

    /** A name for files of what it holds. */
    public function fileName(): string
    {
        return $this->number === null ? $this->id : strtolower(str_replace(' ', '-', $this->number));
    }

    /** The picture, so that it can stand beside others in one document, on white. */
    public function inlineSvg(): string
    {
        return PaperSvg::of($this->svg ?? '', $this->id);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'title' => $this->title,
            'number' => $this->number,
            'level' => $this->level,
            'svg' => $this->svg,
            'tables' => array_map(static fn(PaperTable $table): array => $table->toArray(), $this->tables),
            'said' => $this->said,
            'words' => $this->words?->toArray(),
            'caption' => $this->caption,
            'figures' => array_map(static fn(StatedFigure $figure): array => $figure->toArray(), $this->figures),
            'lacks' => $this->lacks,
        ];
    }

    /** @param array{id: string, title: string, number: string|null, level: int, svg: string|null, tables: list<array{cells: list<list<string>>, figures: list<array{row: int, column: int, figure: array<string, mixed>}>}>, said: list<string>, words: array<string, mixed>|null, caption: string, figures: list<array<string, mixed>>, lacks: list<string>} $block as `toArray` gives it */
    public static function ofArray(array $block): self
    {
        return new self(
            $block['id'],
            $block['title'],
            $block['number'],
            $block['level'],
            $block['svg'],
            array_map(PaperTable::ofArray(...), $block['tables']),
            $block['said'],
            $block['words'] === null ? null : WrittenWords::ofArray($block['words']),
            $block['caption'],
            array_values(array_filter(array_map(StatedFigure::ofArray(...), $block['figures']), static fn(?StatedFigure $figure): bool => $figure !== null)),
            $block['lacks'],
        );
    }
}
