<?php

declare(strict_types=1);

namespace App\Report\Blocks;

/** What stands below a table of the cells that are empty. */
final class Notes
{
    private const MOST = 6;

    /** @param list<string> $notes why figures have no value */
    public static function of(array $notes): string
    {
        $each = array_values(array_unique($notes));
        $more = count($each) - self::MOST;

        return $each === [] ? '' : ' –: ' . implode('; ', array_slice($each, 0, self::MOST)) . ($more > 0 ? "; and {$more} more" : '') . '.';
    }
}
