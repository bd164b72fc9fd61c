<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

/** What a part of a formula gives for each row. */
enum Kind
{
    case Number;
    case Text;
    case Truth;

    public function words(): string
    {
        return match ($this) {
            self::Number => 'a number',
            self::Text => 'a text',
            self::Truth => 'a condition',
        };
    }
}
