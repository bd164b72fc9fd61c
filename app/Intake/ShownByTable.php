<?php

declare(strict_types=1);

namespace App\Intake;

use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\NumberStyle;
use RowTally\Core\Parsing\RecognisedType;
use RowTally\Core\Parsing\VariableType;

/** How a table writes numbers and dates, as far as some of its columns show it beyond doubt and none shows another way. */
final readonly class ShownByTable
{
    private function __construct(
        /** @var '.'|','|null */
        public ?string $decimalMark,
        /** Whether the day or the month comes first. */
        public ?DateText $dateOrder,
    ) {}

    /**
     * @param list<RecognisedType> $columns
     * @param list<list<string>>   $cells   a sample of each
     */
    public static function of(array $columns, array $cells): self
    {
        $marks = $orders = [];
        foreach ($columns as $i => $column) {
            $mark = $column->style->decimalMark;
            if ($column->type === VariableType::Number && !isset($marks[$mark]) && NumberStyle::showDecimalMark($cells[$i], $mark)) {
                $marks[$mark] = $mark;
            }
            if ($column->dateOrder !== null && $column->dateOrder->isShownBy($cells[$i])) {
                $orders[$column->dateOrder->value] = $column->dateOrder;
            }
        }

        return new self(count($marks) === 1 ? array_values($marks)[0] : null, count($orders) === 1 ? array_values($orders)[0] : null);
    }
}
