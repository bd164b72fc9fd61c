<?php

declare(strict_types=1);

namespace RowTally\Core\Working;

/**
 * How one figure came about, in the notation below; computed by hand it gives the figure.
 *
 * Notation  plain text in which `{a}/{b}` is a fraction and `√{a}` a root. What reads well on a screen and is still clear when it is
 *           copied as it stands needs no more.
 */
final readonly class Steps
{
    /** @param list<string> $lines from the numbers put in to the result */
    public function __construct(
        public string $definition,
        public array $lines,
        public string $source,
        /** Whether the values in order, with the cuts drawn through them, say more. */
        public bool $showsOrder = false,
    ) {}
}
