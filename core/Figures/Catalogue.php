<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

/** The one list of statistics, in the order of the sheet. */
final class Catalogue
{
    /** @return list<Statistic> what the sheet of a number variable shows */
    public static function essentials(): array
    {
        return [
            new Count(),
            new Missing(),
            new Mean(),
            new StandardDeviation(),
            new Variance(),
            new Minimum(),
            new LowerQuartile(),
            new Median(),
            new UpperQuartile(),
            new Maximum(),
            new Range(),
            new InterquartileRange(),
            new Sum(),
        ];
    }

    /** @return list<Statistic> all that there are */
    public static function all(): array
    {
        return [...self::essentials(), new LowerFence(), new UpperFence()];
    }
}
