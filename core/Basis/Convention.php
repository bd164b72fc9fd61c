<?php

declare(strict_types=1);

namespace RowTally\Core\Basis;

/** A convention that figures may depend on; each figure says on which. */
enum Convention
{
    /** What squared deviations are divided by: sample or population. */
    case Divisor;
    case QuartileRule;
    case Fences;
    case Level;
}
