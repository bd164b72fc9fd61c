<?php

declare(strict_types=1);

namespace App\Intake;

use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Values\ValueCounts;

/** A column of a file after it was read: what its chunks need to be understood, and what was counted on the way. */
final readonly class ReadVariable
{
    public function __construct(
        public string $name,
        public ?string $unit,
        public VariableType $type,
        public ?int $decimals,
        /** @var list<string> what byte codes stand for */
        public array $dictionary,
        /** @var list<int> how often each label of a category occurs */
        public array $labelCounts,
        public int $missing,
        public int $unread,
        /** null for variables that are not numbers, and where the distinct values were too many to count on the way */
        public ?ValueCounts $values,
        public ?string $label = null,
        public ?string $description = null,
        /** @var '.'|','|null what stands before decimals in labels that are classes; null where they are none */
        public ?string $labelMark = null,
    ) {}
}
