<?php

declare(strict_types=1);

namespace App\Store;

/** What a row of `tallies` holds. */
enum TallyKind: string
{
    case Values = 'values';
    case Labels = 'labels';
    case RowsLeftOut = 'rows-left-out';
    /** A² of each group of very many values, and how many of all end in 0 or 5: it needs every one of them and is the same whatever the basis. */
    case Facts = 'facts';
    case DateEnds = 'date-ends';
}
