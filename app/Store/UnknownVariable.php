<?php

declare(strict_types=1);

namespace App\Store;

use RuntimeException;

/** A question names a variable that the dataset does not have, or splits by one that makes no groups. */
final class UnknownVariable extends RuntimeException
{
    public static function named(string $key): self
    {
        return new self("This dataset has no variable \"{$key}\". Choose one from the list of variables.");
    }

    public static function isDeleted(string $name): self
    {
        return new self("\"{$name}\" was deleted. Bring it back, or take another variable.");
    }

    public static function refused(string $sentence): self
    {
        return new self($sentence);
    }

    public static function makesNoGroups(string $name): self
    {
        return new self("\"{$name}\" makes no groups. Split by a category or a number.");
    }

    public static function makesNoCounts(string $name): self
    {
        return new self("\"{$name}\" cannot say how often a row counts. Choose a number.");
    }

    public static function hasNoFigures(string $name): self
    {
        return new self("\"{$name}\" has no figures: it is no number.");
    }

    public static function hasNothingToDraw(string $name): self
    {
        return new self("There is nothing to draw of \"{$name}\".");
    }

    public static function noPicture(string $kind): self
    {
        return new self("There is no picture \"{$kind}\".");
    }

    public static function noGroup(int $column): self
    {
        return new self("There is no group {$column}; 0 is overall, then come the groups in their order.");
    }

    public static function comparesNoGroups(): self
    {
        return new self('Groups are compared by what splits the rows. Choose a variable to split by.');
    }

    public static function comparesOne(): self
    {
        return new self('There is only one to compare. Choose a second.');
    }

    public static function comparesNoDataset(): self
    {
        return new self('Choose the other dataset.');
    }

    public static function notInTheOther(string $name, string $title): self
    {
        return new self("“{$title}” has no variable \"{$name}\". Choose which of its variables is compared.");
    }

    public static function noGroupNamed(string $name): self
    {
        return new self("There is no group \"{$name}\" any more. Choose one from the list.");
    }

    public static function notOfCompared(): self
    {
        return new self('That picture is of one variable, not of things compared.');
    }

    public static function hasNoClasses(string $name): self
    {
        return new self("\"{$name}\" has no classes: it is no category.");
    }
}
