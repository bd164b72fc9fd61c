<?php

declare(strict_types=1);

namespace App\Intake;

use RowTally\Core\Columns\VariableType;

/** A column of a file as it is about to be read. */
final readonly class RecognisedVariable
{
    public function __construct(
        public string $name,
        public ?string $unit,
        public VariableType $type,
        /** @var '.'|',' */
        public string $decimalMark,
    ) {}
}
