<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use RowTally\Core\Profile\NumberProfile;

/** The sheet of one variable: of a number its profile, of a category how often each label occurs. */
final readonly class VariableSheet
{
    /** @param list<array{row: int, text: string}> $unread the first cells that could not be read */
    public function __construct(
        public Variable $variable,
        public ?NumberProfile $profile,
        public array $unread,
    ) {}
}
