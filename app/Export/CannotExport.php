<?php

declare(strict_types=1);

namespace App\Export;

use RowTally\Core\Marks\NumberMarks;
use RuntimeException;

/** A format cannot hold a table; the message says why, and which one can. */
final class CannotExport extends RuntimeException
{
    public static function tooManyRows(string $format, int $rows, int $most): self
    {
        return new self(sprintf('%s holds at most %s rows, and there are %s. Take them out as CSV or JSON Lines, or only a part of them.', $format, NumberMarks::count($most), NumberMarks::count($rows)));
    }
}
