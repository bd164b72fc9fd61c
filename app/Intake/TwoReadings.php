<?php

declare(strict_types=1);

namespace App\Intake;

use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Columns\VariableType;
use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\NumberStyle;
use RowTally\Core\Parsing\NumberText;

/**
 * A column whose cells mean one thing or another, and nothing in the table shows which: numbers like "4.767", whose mark may stand between
 * thousands, and dates like "03/04/2026".
 */
final readonly class TwoReadings
{
    /** @param list<array{words: string, changes: list<array{what: string, column: int|null, value: mixed}>}> $remedies */
    private function __construct(
        public int $column,
        /** A cell of it. */
        public string $text,
        public string $readAs,
        public string $couldBe,
        /** The rest of a sentence that begins with the column. */
        public string $why,
        public array $remedies,
    ) {}

    public static function of(int $column, RecognisedVariable $variable): ?self
    {
        $text = $variable->isTaken ? $variable->inDoubt : null;

        return $text === null ? null : match ($variable->type) {
            VariableType::Date => self::date($column, $text, $variable->dateOrder),
            default => self::mark($column, $text, $variable->style),
        };
    }

    private static function date(int $column, string $text, ?DateText $order): ?self
    {
        $readAs = $order?->iso($text);
        $couldBe = $order?->turned()->iso($text);

        return $order === null || $readAs === null || $couldBe === null ? null : new self($column, $text, $readAs, $couldBe, 'every day could be a month, and nothing in the table shows which comes first', [
            ['words' => "it means {$couldBe}", 'changes' => [self::decided($column, 'date_order', $order->turned()->value)]],
            ['words' => "it is {$readAs}", 'changes' => [self::decided($column, 'date_order', $order->value)]],
        ]);
    }

    private static function mark(int $column, string $text, NumberStyle $style): ?self
    {
        $thousands = $style->withThousands([$text]);
        if ($thousands === null) {
            return null;
        }
        $readAs = self::number($text, $style);
        $couldBe = self::number($text, $thousands);

        return new self($column, $text, $readAs, $couldBe, 'three digits follow every mark, and nothing in the table shows what the mark is', [
            ['words' => "it means {$couldBe}", 'changes' => [self::decided($column, 'decimal_mark', $thousands->decimalMark), self::decided($column, 'group_mark', $thousands->groupMark)]],
            ['words' => "it is {$readAs}", 'changes' => [self::decided($column, 'decimal_mark', $style->decimalMark)]],
        ]);
    }

    /** @return array{what: string, column: int, value: string} */
    private static function decided(int $column, string $what, string $value): array
    {
        return ['what' => $what, 'column' => $column, 'value' => $value];
    }

    private static function number(string $text, NumberStyle $style): string
    {
        $number = NumberText::parse($style->plain($text), $style->decimalMark);

        return is_array($number) ? NumberColumn::toText(...$number) : $text;
    }
}
