<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Variable;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\NumberText;
use RowTally\Core\Parsing\VariableType;

/**
 * Reads what is typed into cells of one variable after its type: a decimal comma is understood where it can be nothing else, and so is a
 * date with the day or the month first. Made once for many cells: what is known of the variable is not looked up for each.
 */
final readonly class TypedCells
{
    /** @param list<string> $marks what stands for no value */
    private function __construct(private string $name, private VariableType $type, private array $marks, private ?DateText $order) {}

    /** @param DateText|null $order of day and month, where it is known */
    public static function into(Variable $variable, ?DateText $order = null): self
    {
        return new self($variable->name, $variable->type, $variable->missing_marks, $order);
    }

    public function read(string $typed): TypedCell
    {
        $trimmed = trim($typed);
        if ($trimmed === '' || in_array($trimmed, $this->marks, true)) {
            return $this->cell('', true);
        }

        return match ($this->type) {
            VariableType::Number => $this->number($trimmed),
            VariableType::Date => $this->date($trimmed),
            VariableType::Category, VariableType::Id, VariableType::Text => $this->cell($typed, true),
        };
    }

    private function number(string $typed): TypedCell
    {
        $number = NumberText::parse($typed);
        if ($number === null && preg_match('/^[+\-−]?[1-9][0-9]{0,2},[0-9]{3}$/u', $typed) === 1) {
            return $this->cell($typed, false, true);
        }
        $number ??= NumberText::parse($typed, ',');
        if ($number === null) {
            return $this->cell($typed, false);
        }

        return $this->cell(is_array($number) ? NumberColumn::toText(...$number) : NumberColumn::doubleToText($number), true);
    }

    private function date(string $typed): TypedCell
    {
        if ($this->order === null && DateText::DayFirst->readTwoWays([$typed]) !== null) {
            return $this->cell($typed, false, true);
        }
        foreach ([...($this->order === null ? [] : [$this->order]), ...DateText::cases()] as $tried) {
            $iso = $tried->iso($typed);
            if ($iso !== null) {
                return $this->cell($iso, true);
            }
        }

        return $this->cell($typed, false);
    }

    private function cell(string $text, bool $isRead, bool $isAmbiguous = false): TypedCell
    {
        return new TypedCell($text, $isRead, $this->name, $this->type, $isAmbiguous);
    }
}
