<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvFile;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Parsing\ClassLabel;
use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\NumberStyle;
use RowTally\Core\Parsing\NumberText;
use RowTally\Core\Parsing\VariableType;

/**
 * A column whose cells mean one thing or another, and nothing in the table shows which: numbers like "4.767", whose mark may stand between
 * thousands, and dates like "03/04/2026".
 */
final readonly class TwoReadings
{
    /** @param list<array{words: string, changes: list<array{what: string, column: int|null, value: mixed}>}> $remedies */
    private function __construct(
        /** null = about the table as a whole */
        public ?int $column,
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
            VariableType::Category => self::classes($column, $text, $variable->style->decimalMark),
            default => self::mark($column, $text, $variable->style),
        };
    }

    /**
     * What can be read in two ways about the table itself.
     *
     * @return list<self>
     */
    public static function ofTable(CsvFile $file, Decisions $decisions): array
    {
        $found = [];
        $decide = static fn(string $what, mixed $value): array => [['what' => $what, 'column' => null, 'value' => $value]];
        if ($file->onlyCommas !== null) {
            $found[] = new self(null, $file->onlyCommas, str_replace(',', ' and ', $file->onlyCommas), str_replace(',', '.', $file->onlyCommas), 'every line has one comma, which may set two columns apart or stand before decimals', [
                ['words' => 'it is one column with decimal commas', 'changes' => $decide('delimiter', ';')],
                ['words' => 'it is two columns', 'changes' => $decide('delimiter', ',')],
            ]);
        }
        if ($file->badQuoteLine !== null) {
            $found[] = new self(null, "line {$file->badQuoteLine}", 'letters of their cells', 'marks about cells, one of them not closed', 'a quotation mark is not closed where its cell ends, so all of them are taken for letters', [
                ['words' => 'they are letters', 'changes' => $decide('quote', '')],
            ]);
        }
        if ($file->firstLongLine !== null && !$decisions->leaveOutExtraCells) {
            $found[] = new self(null, "line {$file->firstLongLine}", 'more cells than there are names, which is refused', 'a row whose last cells are not wanted', 'a row has more cells than there are names', [
                ['words' => 'leave out what stands behind the last name', 'changes' => $decide('leave_out_extra_cells', true)],
            ]);
        }

        return $found;
    }

    /**
     * A column of labels with gaps below them, as merged cells leave them: the first cell is filled, other columns have no gaps.
     *
     * @param list<string> $cells
     * @param bool         $areWhole whether nearly all rows have no gap elsewhere
     */
    public static function gaps(int $column, RecognisedVariable $variable, array $cells, bool $areWhole): ?self
    {
        if (!$areWhole || $variable->isFilledDown || !$variable->isTaken || ($variable->type !== VariableType::Category && $variable->type !== VariableType::Text) || $cells === [] || NumberText::isBlank($cells[0])) {
            return null;
        }
        $blank = count(array_filter($cells, NumberText::isBlank(...)));
        $labels = array_filter($cells, static fn(string $cell): bool => !NumberText::isBlank($cell));
        if (2 * $blank < count($cells) || count($labels) < 2 || count(array_unique($labels)) < count($labels)) {
            return null;
        }

        return new self($column, '', 'missing', "“{$cells[0]}”, the entry above", 'each label stands once, with empty cells below it', [
            ['words' => 'fill each with the entry above', 'changes' => [self::decided($column, 'fill_down', true)]],
        ]);
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

    /** @param '.'|',' $mark */
    private static function classes(int $column, string $text, string $mark): ?self
    {
        $other = $mark === '.' ? ',' : '.';
        [$readAs, $couldBe] = [self::limits($text, $mark), self::limits($text, $other)];

        return $readAs === $couldBe ? null : new self($column, $text, $readAs, $couldBe, 'three digits follow every mark, and nothing in the table shows what the mark is', [
            ['words' => "it means {$couldBe}", 'changes' => [self::decided($column, 'decimal_mark', $other)]],
            ['words' => "it is {$readAs}", 'changes' => [self::decided($column, 'decimal_mark', $mark)]],
        ]);
    }

    /** @param '.'|',' $mark */
    private static function limits(string $text, string $mark): string
    {
        $class = ClassLabel::parse($text, $mark);

        return $class === null ? $text : ClassLabel::text((string) $class->low, (string) $class->high);
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

    /** @return array{what: string, column: int, value: string|true} */
    private static function decided(int $column, string $what, string|true $value): array
    {
        return ['what' => $what, 'column' => $column, 'value' => $value];
    }

    private static function number(string $text, NumberStyle $style): string
    {
        $number = NumberText::parse($style->plain($text), $style->decimalMark);

        return is_array($number) ? NumberColumn::toText(...$number) : $text;
    }
}
