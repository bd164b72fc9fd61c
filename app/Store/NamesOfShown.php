<?php

declare(strict_types=1);

namespace App\Store;

use RowTally\Core\Profile\RowLabels;
use RowTally\Core\Readings\NamesRows;

/** What rows are called, by the columns that are shown: overall, then these groups of a grouping. */
final readonly class NamesOfShown implements NamesRows
{
    private RowLabels $labels;

    /** @param list<int> $groups as the grouping numbers them */
    public function __construct(private StoredGrouping $grouping, string $number, string $id, private array $groups)
    {
        $this->labels = new RowLabels($grouping->table(), $number, $id, $grouping->grouping());
    }

    public function of(int $column, array $values): array
    {
        $group = $this->groups[max(0, $column - 1)] ?? null;
        if ($column === 0 || $group === null) {
            return $this->labels->of(0, $values);
        }
        // A plain grouping has a group for each label, also for those that no row has.
        $place = array_search($this->grouping->labels[$group], $this->grouping->grouping()->labels, true);

        return is_int($place) ? $this->labels->of($place + 1, $values) : array_map(static fn(): null => null, $values);
    }
}
