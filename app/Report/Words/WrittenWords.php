<?php

declare(strict_types=1);

namespace App\Report\Words;

use App\Report\Record\StatedFigure;

/** Somebody's own words with everything in them read: as HTML, as Markdown, and the figures that stand in them. */
final readonly class WrittenWords
{
    /**
     * @param list<StatedFigure> $figures in the order of the text
     * @param list<string>       $lacks   what in them has come to nothing, and why
     */
    public function __construct(
        public string $html,
        public string $markdown,
        public array $figures,
        public array $lacks,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['html' => $this->html, 'markdown' => $this->markdown, 'figures' => array_map(static fn(StatedFigure $figure): array => $figure->toArray(), $this->figures), 'lacks' => $this->lacks];
    }

    /** @param array<string, mixed> $words as `toArray` gives them */
    public static function ofArray(array $words): self
    {
        $figures = is_array($words['figures'] ?? null) ? array_values($words['figures']) : [];
        $lacks = is_array($words['lacks'] ?? null) ? array_values(array_filter($words['lacks'], is_string(...))) : [];

        return new self(
            is_string($words['html'] ?? null) ? $words['html'] : '',
            is_string($words['markdown'] ?? null) ? $words['markdown'] : '',
            array_values(array_filter(array_map(StatedFigure::ofArray(...), $figures), static fn(?StatedFigure $figure): bool => $figure !== null)),
            $lacks,
        );
    }
}
