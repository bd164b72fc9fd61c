<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

use Brick\Math\BigDecimal;
use RowTally\Core\Basis\Basis;

/** Some rows of a dataset while a formula is worked out for them, column by column. */
interface Rows
{
    public function count(): int;

    /** @return list<float|BigDecimal|null> missing as null; doubles unless that would lose digits */
    public function numbers(string $name): array;

    /** @return list<string|null> */
    public function texts(string $name): array;

    /** What is known of a number over all rows of the dataset, whichever rows these are. */
    public function summary(Node\Node $number, Basis $basis): Summary;

    /** A row has no result, for this reason; missing inputs are no reason. */
    public function noResult(string $reason): void;
}
