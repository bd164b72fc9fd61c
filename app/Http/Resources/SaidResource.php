<?php

declare(strict_types=1);

namespace App\Http\Resources;

use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Readings\Reading;

/** A reading on the wire. */
final class SaidResource
{
    /** @return array<string, mixed> */
    public static function of(Reading $reading): array
    {
        return [...$reading->toArray(), 'rule' => NumberMarks::inForce()->rewritten($reading->rule), 'figures' => (object) $reading->figures];
    }
}
