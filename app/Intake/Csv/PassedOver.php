<?php

declare(strict_types=1);

namespace App\Intake\Csv;

/** What a reader of rows met on its way and did not take as it stood, counted. */
final class PassedOver
{
    public int $blankLines = 0;
    public int $remarks = 0;
    public int $leftOut = 0;
    public int $shortRows = 0;
    public ?int $firstShortLine = null;
    /** Rows with entries behind the last name, which were left out. */
    public int $longRows = 0;
    public ?int $firstLongLine = null;

    /** @param array<string, int|null> $counts */
    public static function fromArray(array $counts): self
    {
        $self = new self();
        [$self->blankLines, $self->remarks, $self->leftOut] = [(int) $counts['blank_lines'], (int) $counts['remarks'], (int) $counts['left_out']];
        [$self->shortRows, $self->firstShortLine] = [(int) $counts['short_rows'], $counts['first_short_line']];
        [$self->longRows, $self->firstLongLine] = [(int) $counts['long_rows'], $counts['first_long_line']];

        return $self;
    }

    /** @return array<string, int|null> */
    public function toArray(): array
    {
        return [
            'blank_lines' => $this->blankLines, 'remarks' => $this->remarks, 'left_out' => $this->leftOut,
            'short_rows' => $this->shortRows, 'first_short_line' => $this->firstShortLine,
            'long_rows' => $this->longRows, 'first_long_line' => $this->firstLongLine,
        ];
    }
}
