<?php

declare(strict_types=1);

namespace App\Export;

/** Writes a table in one format. */
interface TableWriter
{
    /**
     * @param resource $out
     *
     * @throws CannotExport
     */
    public function write(ExportedTable $table, $out): void;
}
