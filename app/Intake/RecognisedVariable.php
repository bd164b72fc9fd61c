<?php

declare(strict_types=1);

namespace App\Intake;

use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\NumberStyle;
use RowTally\Core\Parsing\VariableType;

/** A column of a file as it is about to be read. */
final readonly class RecognisedVariable
{
    public function __construct(
        public string $name,
        public ?string $unit,
        public VariableType $type,
        public NumberStyle $style = new NumberStyle(),
        public ?DateText $dateOrder = null,
        public bool $isTaken = true,
        /** @var list<string> labels that come first, in this order */
        public array $order = [],
        public ?string $label = null,
        public ?string $description = null,
        /** @var list<string> texts that stand for no value */
        public array $missingMarks = [],
        /** A cell that could as well mean something else, where nothing in the table shows which: see `TwoReadings`. */
        public ?string $inDoubt = null,
        /** Whether an empty cell has the entry of the one above it. */
        public bool $isFilledDown = false,
        /** How many different texts the cells are that were looked at. */
        public int $texts = 0,
    ) {}
}
