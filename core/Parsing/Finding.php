<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

/** Something about the user's data or words that they should know: what was found where, what was expected, what to do. */
final readonly class Finding
{
    public function __construct(
        public string $code,
        public string $found,
        public string $expected,
        public string $remedy,
        /** Line of the file, from 1; null where no one line is meant. */
        public ?int $line = null,
    ) {}

    public function sentence(): string
    {
        return "{$this->found} Expected: {$this->expected}. {$this->remedy}";
    }
}
