<?php

declare(strict_types=1);

namespace App\Intake;

use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Parsing\NumberStyle;
use RowTally\Core\Parsing\NumberText;

/** A column of numbers like "4.767": as it is read, and what it would be if the mark stood between thousands. */
final readonly class MarkInDoubt
{
    /** @param list<array{words: string, changes: list<array{what: string, column: int|null, value: mixed}>}> $remedies */
    private function __construct(
        public int $column,
        public string $text,
        public string $readAs,
        public string $couldBe,
        public array $remedies,
    ) {}

    public static function of(int $column, RecognisedVariable $variable): ?self
    {
        $style = $variable->style;
        $text = $variable->inDoubt;
        $thousands = $text === null ? null : $style->withThousands([$text]);
        if ($text === null || $thousands === null) {
            return null;
        }
        $readAs = self::number($text, $style);
        $couldBe = self::number($text, $thousands);

        return new self($column, $text, $readAs, $couldBe, [
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
