<?php

declare(strict_types=1);

namespace App\Drawing;

/** How box plots are wanted. */
final readonly class BoxLook
{
    public function __construct(
        public bool $isUpright = false,
        public bool $hasNotches = false,
        /** Whether thickness is in proportion to √n. */
        public bool $isWideByN = false,
        public bool $hasNumbers = false,
        /** Whether whiskers reach to the extremes, so that nothing is marked beyond them. */
        public bool $isToExtremes = false,
    ) {}

    /** @param list<string> $words */
    public static function ofWords(array $words): self
    {
        $has = static fn(string $word): bool => in_array($word, $words, true);

        return new self($has('standing'), $has('notches'), $has('root-n'), $has('numbers'), $has('extremes'));
    }
}
