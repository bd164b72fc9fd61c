<?php

declare(strict_types=1);

namespace App\Intake\Csv;

use App\Intake\Decisions;

/** How the records of a text file are set apart, and where its table begins. */
final readonly class Dialect
{
    public function __construct(
        public string $delimiter = ',',
        /** '' = cells are never quoted */
        public string $quote = '"',
        /** Lines that begin with this are remarks; '' = there are none. */
        public string $comment = '',
        /** The line in which the names, or the first row where there are none, begin. */
        public int $firstLine = 1,
        public bool $hasHeader = true,
    ) {}

    public static function decided(Decisions $decisions, self $recognised): self
    {
        return new self(
            $decisions->delimiter ?? $recognised->delimiter,
            $decisions->quote ?? $recognised->quote,
            $decisions->comment ?? $recognised->comment,
            $decisions->firstLine ?? $recognised->firstLine,
            $decisions->hasHeader ?? $recognised->hasHeader,
        );
    }
}
