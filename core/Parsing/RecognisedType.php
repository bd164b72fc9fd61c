<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

/**
 * What the cells of a column look like.
 *
 * number    two thirds or more of the cells that are filled read as numbers (and it is no id); also a column without any entry.
 *           Texts that stand for "no value" ("n/a") do not count against it.
 * date      two thirds or more read as dates
 * id        every cell filled and none twice; whole numbers whose name says as a word that they name something ("hive id"; "no." where they
 *             run 1, 2, 3 …), numbers written with leading zeros, other codes holding a digit. A column of numbers that stands alone is none.
 * category  few distinct labels
 * text      all else
 */
final readonly class RecognisedType
{
    /** Words that say by themselves that a number names something, and those that say it only of numbers that run. */
    private const NAMES_SOMETHING = '/(?:^|[\s_\-.])(?:id|ids|identifier|code|key|tag|ref|reference|uuid|ID|(?:zip|post(?:al)?)\s?code|phone|telephone)\.?$|[a-z](?:Id|ID)$/u';
    private const RUNS = '/(?:^|[\s_\-.])(?:no|nr|num|number|index|row|line|case|obs|record|nummer)\.?$|^#$/u';
    /** A country's code and six digits or more, or groups of digits of which the first begins with a nought. */
    private const TELEPHONE = '/^(?:\+[1-9](?:[ \-\/.()]*\d){6,14}|\(?0\d+\)?[ \-\/](?:[ \-]?\d){3,12})$/D';
    private const FEWEST_THAT_RUN = 5;
    private const LONGEST_CODE = 40;
    private const LONGEST_LABEL = 80;
    private const FEW_ROWS = 30;

    private function __construct(
        public VariableType $type,
        public NumberStyle $style = new NumberStyle(),
        public ?DateText $dateOrder = null,
    ) {}

    /**
     * @param list<string> $head      the first cells of the column, or all of them
     * @param list<string> $spread    cells from elsewhere in the column
     * @param bool         $commaMark whether a decimal comma can stand unquoted in this file
     * @param bool         $isAlone   whether the table has no other column
     */
    public static function of(string $name, array $head, array $spread, bool $commaMark, bool $isAlone = false): self
    {
        $cells = [...$head, ...$spread];
        $filled = $meant = [];
        foreach ($cells as $cell) {
            if (!NumberText::isBlank($cell)) {
                $filled[] = $cell;
                if (!MissingMarks::isKnown($cell)) {
                    $meant[] = $cell;
                }
            }
        }
        if ($filled === []) {
            return new self(VariableType::Number);
        }
        $dateOrder = $meant === [] ? null : DateText::recognise($meant);
        if ($dateOrder !== null) {
            return new self(VariableType::Date, new NumberStyle(), $dateOrder);
        }
        $style = NumberStyle::recognise($meant, $commaMark);
        $texts = array_count_values($meant);
        $numbers = $style->fits($texts);
        // Cells that may be negatives speak for numbers too: whether they are is asked.
        $mayBe = $numbers === 0 ? 0 : $style->withNegatives()->fits($texts);
        $isNumber = $meant !== [] && 3 * max($numbers, $mayBe) >= 2 * count($meant);
        if ($isNumber && $numbers < count($meant) && ClassLabels::areValuesWithAnOpenEnd($meant)) {
            return new self(VariableType::Category);
        }
        if (!$isNumber && ClassLabels::areClasses(array_map(strval(...), array_keys($texts)))) {
            return new self(VariableType::Category);
        }
        if (count($filled) === count($cells) && self::isId($name, $head, $filled, $isNumber, $isAlone)) {
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
     * @param list<string> $head  the first of the cells, without a gap
     * @param list<string> $cells all filled
     */
    private static function isId(string $name, array $head, array $cells, bool $isNumber, bool $isAlone): bool
    {
        if (count($cells) < 2 || count(array_count_values($cells)) < count($cells)) {
            return false;
        }
        if (self::areCodes($cells)) {
            return true;
        }
        if (!$isNumber) {
            return array_filter($cells, static fn(string $cell): bool => preg_match('/\d/', $cell) !== 1
                || preg_match('/\s/', $cell) === 1 || strlen($cell) > self::LONGEST_CODE) === [];
        }
        if ($isAlone || array_filter($cells, static fn(string $cell): bool => !ctype_digit($cell)) !== []) {
            return false;
        }
        $word = mb_strtolower($name) === $name ? $name : preg_replace_callback('/\b\p{Lu}+\p{Ll}*\.?$/u', static fn(array $part): string => mb_strtolower($part[0]), $name) ?? $name;
        if (preg_match(self::NAMES_SOMETHING, $name) === 1 || preg_match(self::NAMES_SOMETHING, $word) === 1) {
            return true;
        }
        $first = array_map(intval(...), $head);

        return preg_match(self::RUNS, $word) === 1 && count($first) >= self::FEWEST_THAT_RUN && min($first) <= 1 && max($first) - min($first) === count($first) - 1;
    }

    /**
     * Whole numbers of which one is written with a leading zero ("007", "01067") name something, and so do digits of telephones
     * ("+49 30 123456"); they do not count.
     *
     * @param list<string> $cells
     */
    private static function areCodes(array $cells): bool
    {
        $isCode = false;
        foreach ($cells as $cell) {
            if (preg_match(self::TELEPHONE, $cell) === 1) {
                $isCode = true;
                continue;
            }
            if (!ctype_digit($cell)) {
                return false;
            }
            $isCode = $isCode || (strlen($cell) > 1 && $cell[0] === '0');
        }

        return $isCode;
    }
}
