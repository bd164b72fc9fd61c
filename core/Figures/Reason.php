<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

/** Why a figure has no value. Undefined is an answer: it is shown where the number would stand. */
enum Reason: string
{
    case NeedsOneValue = 'needs at least 1 value';
    case NeedsTwoValues = 'needs at least 2 values';
    case OutOfRange = 'too large or too small to be written as a number';
}
