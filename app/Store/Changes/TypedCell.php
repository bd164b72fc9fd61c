<?php

declare(strict_types=1);

namespace App\Store\Changes;

use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\Finding;
use RowTally\Core\Parsing\VariableType;

/** What somebody typed into a cell, as it is kept; see `TypedCells`. */
final readonly class TypedCell
{
    /** @param string $name of the variable */
    public function __construct(
        public string $text,
        public bool $isRead,
        private string $name,
        private VariableType $type,
        private bool $isAmbiguous = false,
    ) {}

    public function finding(int $row): Finding
    {
        $where = "Row {$row}, {$this->name}: “{$this->text}”";
        if ($this->isAmbiguous && $this->type === VariableType::Date) {
            return new Finding('ambiguous', "{$where} can be read in two ways.", 'a day such as 2026-03-21', 'Type ' . DateText::DayFirst->iso($this->text) . ' or ' . DateText::MonthFirst->iso($this->text) . '.');
        }
        if ($this->isAmbiguous) {
            return new Finding('ambiguous', "{$where} can be read in two ways.", 'a number with a decimal point', 'Type ' . str_replace(',', '.', $this->text) . ' or ' . str_replace(',', '', $this->text) . '.');
        }

        return $this->type === VariableType::Date
            ? new Finding('not-a-date', "{$where} is no date.", 'a day such as 2026-03-21', 'Correct it, clear the cell, or keep it as text that counts as missing.')
            : new Finding('not-a-number', "{$where} is not a number.", 'a number such as 12.5', 'Correct it, clear the cell, or keep it as text that counts as missing.');
    }
}
