<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Variable;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\Finding;
use RowTally\Core\Parsing\NumberText;
use RowTally\Core\Parsing\VariableType;

/**
 * What somebody typed into a cell, read after the variable's type: a decimal comma is understood where it can be nothing else, and so is a
 * date with the day or the month first.
 */
final readonly class TypedCell
{
    private function __construct(
        public string $text,
        public bool $isRead,
        private Variable $variable,
        private bool $isAmbiguous = false,
    ) {}

    /** @param DateText|null $order of day and month, where it is known */
    public static function of(string $typed, Variable $variable, ?DateText $order = null): self
    {
        $trimmed = trim($typed);
        if ($trimmed === '' || in_array($trimmed, $variable->missing_marks, true)) {
            return new self('', true, $variable);
        }

        return match ($variable->type) {
            VariableType::Number => self::number($trimmed, $variable),
            VariableType::Date => self::date($trimmed, $variable, $order),
            VariableType::Category, VariableType::Id, VariableType::Text => new self($typed, true, $variable),
        };
    }

    public function finding(int $row): Finding
    {
        $where = "Row {$row}, {$this->variable->name}: “{$this->text}”";
        if ($this->isAmbiguous && $this->variable->type === VariableType::Date) {
            return new Finding('ambiguous', "{$where} can be read in two ways.", 'a day such as 2026-03-21', 'Type ' . DateText::DayFirst->iso($this->text) . ' or ' . DateText::MonthFirst->iso($this->text) . '.');
        }
        if ($this->isAmbiguous) {
            return new Finding('ambiguous', "{$where} can be read in two ways.", 'a number with a decimal point', 'Type ' . str_replace(',', '.', $this->text) . ' or ' . str_replace(',', '', $this->text) . '.');
        }

        return $this->variable->type === VariableType::Date
            ? new Finding('not-a-date', "{$where} is no date.", 'a day such as 2026-03-21', 'Correct it, clear the cell, or keep it as text that counts as missing.')
            : new Finding('not-a-number', "{$where} is not a number.", 'a number such as 12.5', 'Correct it, clear the cell, or keep it as text that counts as missing.');
    }

    private static function number(string $typed, Variable $variable): self
    {
        $number = NumberText::parse($typed);
        if ($number === null && preg_match('/^[+\-−]?[1-9][0-9]{0,2},[0-9]{3}$/u', $typed) === 1) {
            return new self($typed, false, $variable, true);
        }
        $number ??= NumberText::parse($typed, ',');
        if ($number === null) {
            return new self($typed, false, $variable);
        }

        return new self(is_array($number) ? NumberColumn::toText(...$number) : NumberColumn::doubleToText($number), true, $variable);
    }

    private static function date(string $typed, Variable $variable, ?DateText $order): self
    {
        if ($order === null && DateText::DayFirst->readTwoWays([$typed]) !== null) {
            return new self($typed, false, $variable, true);
        }
        foreach ([...($order === null ? [] : [$order]), ...DateText::cases()] as $tried) {
            $iso = $tried->iso($typed);
            if ($iso !== null) {
                return new self($iso, true, $variable);
            }
        }

        return new self($typed, false, $variable);
    }
}
