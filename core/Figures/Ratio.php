<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/** One figure over another that is positive wherever it has a value. */
final class Ratio
{
    public static function of(Figure $over, Figure $under): Figure
    {
        [$a, $b] = [$over->number(), $under->number()];

        return $a === null ? $over : ($b === null ? $under : Figure::double($a / $b));
    }

    public static function steps(Statistic $over, Statistic $under, Observations $observations, Basis $basis): Steps
    {
        [$a, $b] = [$over->of($observations, $basis), $under->of($observations, $basis)];
        $upper = $over->steps($observations, $basis);
        $lower = $under->steps($observations, $basis);

        return new Steps(
            '{' . mb_strtolower($over->label()) . '}/{its standard error}',
            [...$upper->lines, ...$lower->lines, '{' . Written::number($a->number() ?? 0) . '}/{' . Written::number($b->number() ?? 0) . '} = ' . Written::number(self::of($a, $b)->number() ?? 0)],
            $lower->source,
        );
    }
}
