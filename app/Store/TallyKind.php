<?php

declare(strict_types=1);

namespace App\Store;

/** What a row of `tallies` holds. */
enum TallyKind: string
{
    case Values = 'values';
    case Labels = 'labels';
    case RowsLeftOut = 'rows-left-out';
    /** How often one group of very many values exceeds another: it needs every one of them and is the same whatever the basis. */
    case Facts = 'facts';
    /** So are skewness and kurtosis of each group of very many values. */
    case Shapes = 'shapes';
    /** So are A² of each, and how many of all values end in 0 or 5. */
    case Normality = 'normality';
    case DateEnds = 'date-ends';
}
