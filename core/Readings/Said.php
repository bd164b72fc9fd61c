<?php

declare(strict_types=1);

namespace RowTally\Core\Readings;

/** What a rule says of its subject. */
final readonly class Said
{
    /**
     * @param array<string, int|float|null> $figures before rounding
     * @param int                           $weight  0 to 100
     */
    public function __construct(
        public string $sentence,
        public array $figures,
        public int $weight,
    ) {}
}
