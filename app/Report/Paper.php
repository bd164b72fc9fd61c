<?php

declare(strict_types=1);

namespace App\Report;

use Illuminate\Support\Str;

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
        $slug = Str::slug($this->title);

        return $slug === '' ? 'report' : substr($slug, 0, 80);
    }
}
