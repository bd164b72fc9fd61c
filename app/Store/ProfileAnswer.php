<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;

/** The answer to a question, with all that it rests on. */
final readonly class ProfileAnswer
{
    /**
     * @param list<list<string|null>> $groups  labels of each group shown, one for each splitting variable, null = no entry
     * @param list<VariableSheet>     $sheets  in the order asked for
     * @param list<int>               $leftOut rows, from 1, that the counts variable leaves out
     */
    public function __construct(
        public Dataset $dataset,
        public Question $question,
        public int $rows,
        public array $groups,
        public array $sheets,
        public array $leftOut,
    ) {}
}
