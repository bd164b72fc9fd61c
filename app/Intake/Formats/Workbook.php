<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use App\Intake\NotATable;
use Generator;

/** A file of several tables. */
interface Workbook
{
    public const MOST_COLUMNS = 1000;
    public const MOST_ROWS = 5_000_000;

    /** @return list<string> names of the sheets, in their order */
    public function sheets(): array;

    /**
     * The rows of a sheet as texts; rows without any entry are passed over.
     *
     * @return Generator<int, list<string>> by row number, from 1; rows may differ in width
     *
     * @throws NotATable
     */
    public function rows(string $sheet): Generator;

    /** @return list<string> what somebody should know of the rows that were read */
    public function remarks(): array;
}
