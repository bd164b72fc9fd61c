<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

/** What kind of number a figure is, which decides its decimals and its unit. */
enum ShownAs: string
{
    /** A number of rows: whole, without a unit. */
    case Rows = 'rows';
    /** In the variable's unit. */
    case Unit = 'unit';
    /** In the variable's unit, squared. */
    case UnitSquared = 'unit-squared';
}
