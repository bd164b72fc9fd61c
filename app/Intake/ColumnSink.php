<?php

declare(strict_types=1);

namespace App\Intake;

use RowTally\Core\Columns\EncodedCells;

/** Where the columns of a file go while it is read: the store, or memory for the command line. */
interface ColumnSink
{
    /** @param list<RecognisedVariable> $variables */
    public function begin(array $variables): void;

    /** @param array<int, EncodedCells> $columns one chunk of every variable, or of some, by position; all for the same rows */
    public function write(int $number, array $columns): void;
}
