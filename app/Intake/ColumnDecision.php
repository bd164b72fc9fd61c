<?php

declare(strict_types=1);

namespace App\Intake;

use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\VariableType;

/** What somebody has decided about one column; null = as it is recognised. */
final readonly class ColumnDecision
{
    /**
     * @param list<string>|null $affixes units and signs taken off beside numbers
     * @param list<string>|null $order   labels in their order
     */
    public function __construct(
        public ?string $name = null,
        public ?string $unit = null,
        public ?VariableType $type = null,
        public bool $isTaken = true,
        public ?string $decimalMark = null,
        public ?string $groupMark = null,
        public ?array $affixes = null,
        public ?DateText $dateOrder = null,
        public ?array $order = null,
        public ?string $label = null,
        public ?string $description = null,
        /** Whether (5), 5- and –5 are negative numbers. */
        public ?bool $negatives = null,
        /** Whether an empty cell has the entry of the one above it. */
        public bool $isFilledDown = false,
    ) {}

    /** @param array<string, mixed> $words */
    public static function fromArray(array $words): self
    {
        $text = static fn(string $key): ?string => is_string($words[$key] ?? null) ? $words[$key] : null;
        $texts = static fn(string $key): ?array => is_array($words[$key] ?? null) ? array_values(array_filter($words[$key], is_string(...))) : null;

        return new self(
            $text('name'),
            $text('unit'),
            VariableType::tryFrom($text('type') ?? ''),
            ($words['take'] ?? true) !== false,
            in_array($text('decimal_mark'), ['.', ','], true) ? $text('decimal_mark') : null,
            $text('group_mark'),
            $texts('affixes'),
            DateText::tryFrom($text('date_order') ?? ''),
            $texts('order'),
            $text('label'),
            $text('description'),
            is_bool($words['negatives'] ?? null) ? $words['negatives'] : null,
            ($words['fill_down'] ?? false) === true,
        );
    }

    /** @return array<string, mixed> only what was decided */
    public function toArray(): array
    {
        return array_filter([
            'name' => $this->name,
            'unit' => $this->unit,
            'type' => $this->type?->value,
            'take' => $this->isTaken ? null : false,
            'decimal_mark' => $this->decimalMark,
            'group_mark' => $this->groupMark,
            'affixes' => $this->affixes,
            'date_order' => $this->dateOrder?->value,
            'order' => $this->order,
            'label' => $this->label,
            'description' => $this->description,
            'negatives' => $this->negatives,
            'fill_down' => $this->isFilledDown ? true : null,
        ], static fn(mixed $value): bool => $value !== null);
    }
}
