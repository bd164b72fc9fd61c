<?php

declare(strict_types=1);

namespace App\Report;

/** A report as it is handed over, before it takes a form. */
final readonly class Paper
{
    /**
     * @param list<PaperBlock>                               $blocks
     * @param list<array{name: string, lines: list<string>}> $method how it was done, made by itself
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
    public function slug(): string
    {
        $slug = trim((string) preg_replace('/[^a-z0-9]+/', '-', strtolower((string) iconv('UTF-8', 'ASCII//TRANSLIT//IGNORE', $this->title))), '-');

        return $slug === '' ? 'report' : substr($slug, 0, 80);
    }
}
