<?php

declare(strict_types=1);

namespace App\Export;

use RowTally\Core\Parsing\VariableType;

/** A variable as it is taken out. */
final readonly class ExportedVariable
{
    public function __construct(
        public string $name,
        public VariableType $type,
        public ?string $unit,
        public ?string $label,
        public ?string $description,
        /** @var list<string> */
        public array $missingMarks,
        /** @var list<string>|null labels of a category in their order */
        public ?array $labels,
        public ?string $formula,
    ) {}

    /** The name with its unit, as intake reads it back. */
    public function header(): string
    {
        return $this->unit === null || $this->unit === '' ? $this->name : "{$this->name} ({$this->unit})";
    }
}
