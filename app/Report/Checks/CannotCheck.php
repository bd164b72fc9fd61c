<?php

declare(strict_types=1);

namespace App\Report\Checks;

use RuntimeException;

/** A report cannot be checked, and why. */
final class CannotCheck extends RuntimeException
{
    public static function isNoReport(): self
    {
        return new self('This is no report that can be checked: hand in the PDF, the page (HTML), one of the zips, or the record (record.json).');
    }

    public static function hasNoRecord(): self
    {
        return new self('There is no record in this file: nothing tells what its figures rest on. Ask for the report as PDF, page or zip, as it was handed over.');
    }

    public static function isCutOff(): self
    {
        return new self('The record is cut off or was changed so that it cannot be read. Ask for the report anew.');
    }

    public static function isOfAnotherFormat(): self
    {
        return new self('The record is of a format that is not known here. It may have been made with a later version.');
    }

    public static function isUnreadable(string $what, string $why): self
    {
        return new self("The {$what} cannot be read. {$why}");
    }

    public static function isTooLarge(string $name): self
    {
        return new self("“{$name}” in it is too large to be checked here.");
    }

    public static function lacksRows(): self
    {
        return new self('The rows did not come along with this report. Hand them in beside it: the file that it names, or the rows as they were taken out.');
    }

    public static function hasUnreadableRows(string $sentence): self
    {
        return new self("The rows cannot be read. {$sentence}");
    }

    public static function areTooMany(): self
    {
        return new self('Three checks of yours are under way. Wait for one of them.');
    }

    public static function isCancelled(): self
    {
        return new self('It was cancelled.');
    }
}
