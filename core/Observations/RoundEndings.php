<?php

declare(strict_types=1);

namespace RowTally\Core\Observations;

/**
 * How many values end in 0 or 5, in the last decimal that the data carry.
 *
 * Undefined  0 for doubles, which have no last decimal.
 * Cost       one pass over the distinct values.
 */
final readonly class RoundEndings
{
    /** @param int $count in the unit of the counts */
    public function __construct(public int $count) {}

    public static function of(Observations $observations): self
    {
        $round = 0;
        foreach ($observations->values->decimals() === null ? [] : $observations->values->slices() as [$slice, $counts]) {
            foreach ($slice as $i => $value) {
                $round += $value % 5 === 0 ? $counts[$i] : 0;
            }
        }

        return new self($round);
    }
}
