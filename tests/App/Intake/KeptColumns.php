<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\ColumnSink;
use RowTally\Core\Columns\EncodedCells;

/** Keeps what is read, for tests that look at it. */
final class KeptColumns implements ColumnSink
{
    /** @var array<int, list<EncodedCells>> */
    public array $columns = [];

    public function begin(array $variables): void {}

    public function write(int $number, array $columns): void
    {
        foreach ($columns as $i => $column) {
            $this->columns[$i][] = $column;
        }
    }
}
