<?php

declare(strict_types=1);

namespace RowTally\Core\EntryCheck;

/** One thing to look at before the entries of a variable are trusted. */
final readonly class CheckLine
{
    public function __construct(
        public string $code,
        /** What was found, in words. */
        public string $words,
        /** The entries it is about, the first of them. */
        public string $entries,
        /** The condition that leaves just the rows it is about; null where it is about all of them. */
        public ?string $where,
        /** Whether it is likely to be a mistake, and not only worth knowing. */
        public bool $isSuspect,
    ) {}
}
