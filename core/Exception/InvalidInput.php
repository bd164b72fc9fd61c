<?php

declare(strict_types=1);

namespace RowTally\Core\Exception;

use InvalidArgumentException;

/** A caller handed the core something that breaks a stated rule of its parameters. */
final class InvalidInput extends InvalidArgumentException implements CoreException
{
    public static function rankOutside(int $rank, int $n): self
    {
        return new self("Rank {$rank} lies outside 1 to {$n}.");
    }

    public static function differentUnits(): self
    {
        return new self('Power sums of decimals and of doubles cannot be added; tally the values again as doubles.');
    }

    public static function notEncodable(string $what): self
    {
        return new self("These values cannot be packed as {$what}.");
    }

    public static function noValues(string $what): self
    {
        return new self("{$what} needs at least one value.");
    }

    public static function notAPercent(string $text): self
    {
        return new self("\"{$text}\" is no percentile: give numbers from 0 to 100, with up to 6 decimals.");
    }

    public static function unknownFigure(string $key): self
    {
        return new self("There is no figure \"{$key}\".");
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

    public static function tooManyGroups(int $groups, int $most): self
    {
        return new self("That makes {$groups} groups; at most {$most} can be told apart. Split by fewer labels.");
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
}
