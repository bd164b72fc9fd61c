<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

/** What kind of number a figure is, which decides its decimals and its unit. */
enum ShownAs: string
{
    /** A number of rows, without a unit; whole unless the counts are not. */
    case Rows = 'rows';
    /** In the variable's unit. */
    case Unit = 'unit';
    /** In the variable's unit, squared. */
    case UnitSquared = 'unit-squared';
    /** Values of the variable itself, as they stand. */
    case Values = 'values';
    /** A pure number. */
    case Ratio = 'ratio';
    /** A ratio that is shown in percent. */
    case Share = 'share';
    /** A probability. */
    case Probability = 'probability';
}
