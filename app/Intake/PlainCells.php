<?php

declare(strict_types=1);

namespace App\Intake;

use RowTally\Core\Parsing\SpreadsheetText;
use RowTally\Core\Parsing\VariableType;

/**
 * The cells of a column without what was decided to mean nothing: missing marks, and thousands marks and units of numbers, the apostrophe
 * that keeps a spreadsheet from running a text as a formula.
 */
final readonly class PlainCells
{
    /** @var array<array-key, true> */
    private array $marks;

    /** @param list<string> $missing */
    public function __construct(array $missing)
    {
        $this->marks = array_fill_keys(array_map(trim(...), $missing), true);
    }

    /**
     * @param list<string> $cells
     *
     * @return list<string>
     */
    public function of(array $cells, RecognisedVariable $variable, bool $hasApostrophes = true): array
    {
        if ($this->marks !== []) {
            $cells = array_map(fn(string $cell): string => isset($this->marks[trim($cell)]) ? '' : $cell, $cells);
        }
        if ($variable->type === VariableType::Number && !$variable->style->isPlain()) {
            $cells = array_map($variable->style->plain(...), $cells);
        }

        if ($hasApostrophes && $variable->type !== VariableType::Number) {
            $cells = array_map(SpreadsheetText::original(...), $cells);
        }

        return $cells;
    }
}
