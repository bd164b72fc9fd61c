<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;

/** The answer to a question, with all that it rests on. */
final readonly class ProfileAnswer
{
    /**
     * @param list<string|null>   $groups labels in order, null = rows without a label; empty when nothing is split
     * @param list<VariableSheet> $sheets in the order asked for
     */
    public function __construct(
        public Dataset $dataset,
        public Question $question,
        public array $groups,
        public array $sheets,
    ) {}
}
