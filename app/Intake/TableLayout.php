<?php

declare(strict_types=1);

namespace App\Intake;

/**
 * What the columns of a table are: variables as they stand, one block of values, some of them one variable in several columns, or two of
 * them the limits of classes.
 */
enum TableLayout: string
{
    case Columns = 'columns';
    /** All columns that are taken are one list of values, row by row. */
    case Block = 'block';
    /** The columns named become two variables: the value, and which column it came from; the other columns repeat. */
    case Stack = 'stack';
    /** The two columns named are the lower and the upper limits of classes and become their labels; the others stay. */
    case Limits = 'limits';
}
