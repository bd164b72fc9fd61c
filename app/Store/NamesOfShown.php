<?php

declare(strict_types=1);

namespace App\Store;

use RowTally\Core\Profile\RowLabels;
use RowTally\Core\Readings\NamesRows;

/** What rows are called, where not all groups are shown. */
final readonly class NamesOfShown implements NamesRows
{
    /** @param list<int> $places of the shown columns among all, 0 = overall */
    public function __construct(private RowLabels $labels, private array $places) {}

    public function of(int $column, array $values): array
    {
        return $this->labels->of($this->places[$column] ?? 0, $values);
    }
}
