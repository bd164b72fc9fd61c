<?php

declare(strict_types=1);

namespace RowTally\Core\Readings;

use Brick\Math\BigDecimal;

/** Knows what the rows of a number variable are called. */
interface NamesRows
{
    /**
     * @param int              $column 0 = overall, then each shown group
     * @param list<BigDecimal> $values the same value several times is several rows, in row order
     *
     * @return list<string|null> one a value; null where the row has no entry, or there is none such row
     */
    public function of(int $column, array $values): array;
}
