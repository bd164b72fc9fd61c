<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

use RowTally\Core\Columns\VariableType;

/**
 * What the cells of a column look like.
 *
 * number    two thirds or more of the cells that are filled read as numbers (and it is no id); also a column without any entry.
 *           Texts that stand for "no value" ("n/a") do not count against it.
 * date      two thirds or more read as dates
 * id        every cell filled and none twice, and they run 1, 2, 3 … or the name says so, or they are codes holding a digit
 * category  few distinct labels
 * text      all else
 */
final readonly class RecognisedType
{
    private const ID_NAME = '/(?:^|[\s_\-])(?:id|ids|no|nr|num|number|code|key|tag|ref|reference|index|uuid)\.?$|^#$|Id$/iu';
    private const LONGEST_CODE = 40;
    private const LONGEST_LABEL = 80;
    private const FEW_ROWS = 30;
    private const MOST_CLASSES = 100;

    private function __construct(
        public VariableType $type,
        public NumberStyle $style = new NumberStyle(),
        public ?DateText $dateOrder = null,
    ) {}

    /**
     * @param list<string> $head      the first cells of the column, or all of them
     * @param list<string> $spread    cells from elsewhere in the column
     * @param bool         $commaMark whether a decimal comma can stand unquoted in this file
     */
    public static function of(string $name, array $head, array $spread, bool $commaMark): self
    {
        $cells = [...$head, ...$spread];
        $filled = array_values(array_filter($cells, static fn(string $cell): bool => !NumberText::isBlank($cell)));
        if ($filled === []) {
            return new self(VariableType::Number);
        }
        $meant = array_values(array_filter($filled, static fn(string $cell): bool => !MissingMarks::isKnown($cell)));
        $dateOrder = $meant === [] ? null : DateText::recognise($meant);
        if ($dateOrder !== null) {
            return new self(VariableType::Date, new NumberStyle(), $dateOrder);
        }
        $style = NumberStyle::recognise($meant, $commaMark);
        $numbers = $style->fits(array_count_values($meant));
        $isNumber = $meant !== [] && 3 * $numbers >= 2 * count($meant);
        if (!$isNumber && self::areClasses($meant)) {
            return new self(VariableType::Category);
        }
        if (count($filled) === count($cells) && self::isId($name, $head, $filled, $isNumber)) {
            return new self(VariableType::Id);
        }
        if ($isNumber && !self::areCodes($filled)) {
            return new self(VariableType::Number, $style);
        }
        $distinct = count(array_count_values($filled));
        $isCategory = $distinct <= 255
            && (count($filled) <= self::FEW_ROWS || 2 * $distinct <= count($filled))
            && max(array_map('mb_strlen', $filled)) <= self::LONGEST_LABEL;

        return new self($isCategory ? VariableType::Category : VariableType::Text);
    }

    /**
     * Labels such as 12-17 and 48+ are classes and name no rows, though each may stand there once; one of them may be a total.
     *
     * @param list<string> $cells
     */
    private static function areClasses(array $cells): bool
    {
        $labels = array_map(strval(...), array_keys(array_count_values($cells)));
        if (count($labels) < 2 || count($labels) > self::MOST_CLASSES) {
            return false;
        }
        $others = 0;
        foreach ($labels as $label) {
            $class = ClassLabel::parse($label);
            $others += $class === null || ($class->low !== null && $class->high?->isLessThan($class->low) === true) ? 1 : 0;
            if ($others > 1) {
                return false;
            }
        }

        return count($labels) - $others >= 2;
    }

    /**
     * @param list<string> $head  the first of the cells, without a gap
     * @param list<string> $cells all filled
     */
    private static function isId(string $name, array $head, array $cells, bool $isNumber): bool
    {
        if (count($cells) < 2 || count(array_count_values($cells)) < count($cells)) {
            return false;
        }
        if (!$isNumber || self::areCodes($cells)) {
            return array_filter($cells, static fn(string $cell): bool => preg_match('/\d/', $cell) !== 1
                || preg_match('/\s/', $cell) === 1 || strlen($cell) > self::LONGEST_CODE) === [];
        }
        if (array_filter($cells, static fn(string $cell): bool => !ctype_digit($cell)) !== []) {
            return false;
        }
        if (preg_match(self::ID_NAME, $name) === 1) {
            return true;
        }
        // A count from 0 or 1 in steps of one is a row number. Two or three such cells are too few to tell.
        $first = (int) $head[0];
        $last = (int) $head[count($head) - 1];

        return count($head) >= 5 && $first <= 1 && $last === $first + count($head) - 1;
    }

    /**
     * Whole numbers of one length written with a leading zero ("007") name something; they do not count.
     *
     * @param list<string> $cells
     */
    private static function areCodes(array $cells): bool
    {
        $leadingZero = false;
        foreach ($cells as $cell) {
            if (!ctype_digit($cell) || strlen($cell) !== strlen($cells[0])) {
                return false;
            }
            $leadingZero = $leadingZero || (strlen($cell) > 1 && $cell[0] === '0');
        }

        return $leadingZero;
    }
}
