<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

/** Some rows of a dataset while a formula is worked out for them, column by column. */
interface Rows
{
    public function count(): int;

    /** @return list<float|null> missing as null */
    public function numbers(string $name): array;

    /** @return list<string|null> */
    public function texts(string $name): array;

    /** What is known of a number over all rows of the dataset, whichever rows these are. */
    public function summary(Node\Node $number): Summary;

    /** A row has no result, for this reason; missing inputs are no reason. */
    public function noResult(string $reason): void;
}
