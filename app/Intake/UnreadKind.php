<?php

declare(strict_types=1);

namespace App\Intake;

/** All cells of one column that hold the same text, which could not be read, and what can be done about all of them. */
final readonly class UnreadKind
{
    /**
     * @param list<int>                                                                                      $lines    where the first of them stand
     * @param list<array{words: string, changes: list<array{what: string, column: int|null, value: mixed}>}> $remedies the best first
     */
    public function __construct(
        public int $column,
        public string $text,
        public int $count,
        public array $lines,
        public array $remedies,
    ) {}
}
