<?php

declare(strict_types=1);

namespace RowTally\Core\Readings;

/** Which direction of a difference is the good one. */
enum GoodDirection: string
{
    case More = 'more';
    case Fewer = 'fewer';

    /** Whether a difference of this sign is good. */
    public function isGood(float $difference): bool
    {
        return ($this === self::More) === ($difference > 0.0);
    }
}
