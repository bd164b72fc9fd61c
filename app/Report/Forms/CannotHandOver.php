<?php

declare(strict_types=1);

namespace App\Report\Forms;

use RuntimeException;

/** A report could not take a form; the others still can. */
final class CannotHandOver extends RuntimeException
{
    public static function isMissing(string $what, string $program): self
    {
        return new self("{$what} cannot be made: this server has no {$program}. Tell whoever runs it, or take another form.");
    }

    public static function tookTooLong(string $what, int $seconds): self
    {
        return new self("{$what} was not ready after {$seconds} seconds. Take something out of the report, or take another form.");
    }

    public static function isCancelled(): self
    {
        return new self('It was cancelled.');
    }

    public static function because(string $what): self
    {
        return new self("{$what} could not be made. Take another form; if it stays so, tell whoever runs this server (the log has the details).");
    }
}
