<?php

declare(strict_types=1);

namespace App\Store\Changes;

use RuntimeException;

/** A change was made to what somebody saw, and meanwhile the dataset has become something else. Nothing was changed. */
final class StaleRevision extends RuntimeException
{
    /** @param list<string> $summaries what has changed since, in words, the latest last */
    public function __construct(
        public readonly int $revision,
        public readonly array $summaries,
    ) {
        parent::__construct('Meanwhile this dataset was changed elsewhere: ' . implode('; ', $summaries) . '. Your change was not made; look at the rows as they are now, then make it again or leave it.');
    }
}
