<?php

declare(strict_types=1);

namespace RowTally\Core\Exception;

use RowTally\Core\Marks\NumberMarks;
use RuntimeException;

/** Somebody's words ask for what there is not; the message says in one sentence what there is. */
final class NotUnderstood extends RuntimeException implements CoreException
{
    private function __construct(
        string $message,
        /** What would have to be said for an answer, by its word; null where words are wrong and not lacking. */
        public readonly ?string $lacks = null,
    ) {
        parent::__construct($message);
    }

    public static function notAPercent(string $text): self
    {
        return new self("\"{$text}\" is no percentile: give numbers from 0 to 100, with up to 6 decimals.");
    }

    public static function unknownFigure(string $key): self
    {
        return new self("There is no figure \"{$key}\".");
    }

    public static function notAnAmendment(string $text): self
    {
        return new self("\"{$text}\" changes nothing about classes: say edge, width or middle with a place and a number, such as edge0:5.5, or unit:0.1.");
    }

    public static function noSuchClass(int $place, int $last): self
    {
        return new self("There is no place {$place} among the classes: places go from 0, the lowest, to {$last}.");
    }

    public static function widthIsStated(string $label): self
    {
        return new self("\"{$label}\" has both limits, so its width is stated: change a boundary instead.");
    }

    public static function midpointOutside(string $label): self
    {
        return new self("The midpoint of \"{$label}\" lies outside its boundaries: change it, or them.");
    }

    public static function noZoom(string $word): self
    {
        return new self("\"{$word}\" is no part of an axis: give two numbers, the smaller first, such as 10:25.5.");
    }

    public static function noChoice(string $part): self
    {
        return new self("\"{$part}\" chooses nothing of a picture: say what and how, such as notches:yes.");
    }

    /** @param list<string> $there */
    public static function noOption(string $named, array $there): self
    {
        return new self("There is no \"{$named}\" to be chosen of this picture" . ($there === [] ? '.' : ', only: ' . implode(', ', $there) . '.'));
    }

    public static function splitAndColumns(): self
    {
        return new self('Counts come from a column for each group or the rows are split, not both. Take one of the two back.');
    }

    public static function columnsNeedClasses(): self
    {
        return new self('Several columns of counts go with classes. Name one, or say which variable has the classes.');
    }

    public static function tooManyGroups(int $groups, int $most): self
    {
        return new self("That makes {$groups} groups; at most {$most} can be told apart. Split by fewer labels.");
    }

    public static function noRowWord(string $text): self
    {
        return new self("“{$text}” does not name a row. Give one word for one and one for many, set apart by a comma: hive,hives.");
    }

    public static function noVariable(string $name): self
    {
        return new self("There is no variable \"{$name}\".");
    }

    public static function makesNoGroups(string $name, string $type): self
    {
        return new self("\"{$name}\" makes no groups: it is {$type}. Split by a category or a number.");
    }

    public static function noCounts(string $name, string $type): self
    {
        return new self("\"{$name}\" cannot say how often a row counts: it is {$type}. Choose a number.");
    }

    public static function countsTooLarge(string $name): self
    {
        return new self("The counts in \"{$name}\" are too large or have too many digits to be added up exactly.");
    }

    public static function notDecimals(string $word): self
    {
        return new self("Decimals are data+0 to data+10 (more than the data carry), 0 to 10, or s1 to s10 (significant digits), not \"{$word}\".");
    }

    public static function notAFence(string $text): self
    {
        return new self("Fences lie a positive number of interquartile ranges out, such as 1.5, not \"{$text}\".");
    }

    public static function notALevel(string $text): self
    {
        return new self("A confidence level lies between 0.5 and 0.999, such as 0.95, not \"{$text}\".");
    }

    public static function ambiguousPercent(string $text): self
    {
        $percent = rtrim(rtrim(number_format(100 * (float) $text, 6, '.', ''), '0'), '.');

        return new self("{$text} can mean two things: write {$percent} for the {$percent}th percentile, or {$text}% for {$text} percent.");
    }

    public static function noNumber(string $text): self
    {
        return new self("\"{$text}\" is no number. Write it as you were given it, such as 12.40.");
    }

    /** @param non-empty-list<string> $possible from the finest */
    public static function leafUnitOutOfReach(string $unit, array $possible): self
    {
        $last = array_pop($possible);

        return new self("A leaf unit of {$unit} does not fit these values: it can be " . ($possible === [] ? $last : implode(', ', $possible) . " or {$last}") . '.');
    }

    public static function noClasses(string $word): self
    {
        return new self("\"{$word}\" makes no classes: write start:width such as 0:2.5, edges such as 0,5,10,20, or sturges, scott or freedman-diaconis.");
    }

    public static function edgesNotAscending(string $first, string $second): self
    {
        return new self("Edges of classes ascend, but {$second} comes behind {$first}.");
    }

    public static function tooManyClasses(int $most): self
    {
        return new self("That makes more than {$most} classes. Choose a larger width.");
    }

    public static function noClassLabels(): self
    {
        return new self('There is no class with a count.');
    }

    public static function noClassLabel(string $label, int $row): self
    {
        return new self($label === ''
            ? "Row {$row} has a count but no class. Give it one, or leave the row out."
            : "\"{$label}\" in row {$row} reads as no class. Write it like 12-17, 12 to 17, under 6, or 48 and over.");
    }

    public static function onlyOpenClasses(string $label): self
    {
        return new self("\"{$label}\" is open, and no other class says how wide classes are.");
    }

    public static function classBackwards(string $label): self
    {
        return new self("The class \"{$label}\" runs backwards: its lower limit is above its upper one.");
    }

    public static function classesOverlap(string $first, string $second): self
    {
        return new self("The classes \"{$first}\" and \"{$second}\" overlap. Correct one of their limits.");
    }

    public static function classesLeaveGap(string $first, string $second): self
    {
        return new self("Between the classes \"{$first}\" and \"{$second}\" lies a gap. Add the class that is missing, with a count of 0 if nothing is in it.");
    }

    public static function looksCumulative(string $first, string $second): self
    {
        return new self("\"{$second}\" holds \"{$first}\" too. Say whether the counts add up as they go, so that each is taken off the next, or correct the labels.", 'cumulative');
    }

    public static function notCumulative(string $first, string $second): self
    {
        return new self("The count of \"{$second}\" is smaller than that of \"{$first}\", which it should hold: these counts do not add up as they go.");
    }

    public static function classWithoutWidth(string $label): self
    {
        return new self("\"{$label}\" is one value and has no width as a boundary: take the limits as rounded values or completed units.");
    }

    /** @param list<int> $rows */
    public static function countsUnusable(string $counts, array $rows): self
    {
        $named = implode(', ', array_map(static fn(int $row): string => NumberMarks::count($row), array_slice($rows, 0, 5))) . (count($rows) > 5 ? ' …' : '');

        return new self((count($rows) === 1 ? "Row {$named} has" : "Rows {$named} have") . " a class but no count in \"{$counts}\" that is 0 or more. Correct it in the rows, or leave the row out.");
    }

    public static function allCountsZero(): self
    {
        return new self('All counts are 0.');
    }

    public static function noTolerance(string $text): self
    {
        return new self("\"{$text}\" is no tolerance: write 15% or 0.5.");
    }
}
