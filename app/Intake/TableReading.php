<?php

declare(strict_types=1);

namespace App\Intake;

/** What came of reading a file. */
final readonly class TableReading
{
    /**
     * @param list<ReadVariable> $variables
     * @param list<string>       $notes
     */
    public function __construct(
        public int $rows,
        public array $variables,
        public array $notes,
        /** Bytes that a second process held at most. */
        public int $peakElsewhere = 0,
    ) {}

    /** @param list<string> $notes that come first */
    public function withNotes(array $notes): self
    {
        return new self($this->rows, $this->variables, [...$notes, ...$this->notes], $this->peakElsewhere);
    }
}
