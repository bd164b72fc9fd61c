<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvRows;

/** What came of packing some columns of a table. */
final readonly class PackedColumns
{
    /** @param array<int, ReadVariable> $variables by position among those that are taken */
    public function __construct(
        public int $rows,
        public array $variables,
        /** the reader, with what it passed over on the way */
        public CsvRows $reader,
    ) {}
}
