<?php

declare(strict_types=1);

namespace App\Export;

/** What is taken out: a title, variables, and rows that come block by block. */
final readonly class ExportedTable
{
    /**
     * @param list<ExportedVariable>                                                                $variables
     * @param iterable<array{cells: list<list<string>>, unread: list<array<int, true>>, rows: int}> $blocks    cells by variable (the
     *                                                                                                         empty text is missing), and the
     *                                                                                                         places of those that could not be
     *                                                                                                         read
     */
    public function __construct(
        public string $title,
        public ?string $description,
        public ?string $source,
        public array $variables,
        public int $rows,
        public iterable $blocks,
    ) {}

    /** @param iterable<array{cells: list<list<string>>, unread: list<array<int, true>>, rows: int}> $blocks */
    public function by(iterable $blocks): self
    {
        return new self($this->title, $this->description, $this->source, $this->variables, $this->rows, $blocks);
    }
}
