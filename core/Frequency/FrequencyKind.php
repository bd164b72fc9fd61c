<?php

declare(strict_types=1);

namespace RowTally\Core\Frequency;

/** What the rows of a frequency table are. */
enum FrequencyKind: string
{
    case Labels = 'labels';
    case Values = 'values';
    case Classes = 'classes';
}
