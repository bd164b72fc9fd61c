<?php

declare(strict_types=1);

namespace App\Store;

/** What a row of `tallies` holds. */
enum TallyKind: string
{
    case Values = 'values';
    case Labels = 'labels';
    case RowsLeftOut = 'rows-left-out';
    case DateEnds = 'date-ends';
}
