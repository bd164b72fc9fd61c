<?php

declare(strict_types=1);

namespace App\Guide;

/** What a page of the guide is about, in the order in which they are listed. */
enum TopicKind: string
{
    case Figure = 'figure';
    case Convention = 'convention';
    case Picture = 'picture';
    case Reading = 'reading';
    case Comparison = 'comparison';

    /** Of all of them. */
    public function words(): string
    {
        return match ($this) {
            self::Figure => 'Figures',
            self::Convention => 'Conventions',
            self::Picture => 'Pictures',
            self::Reading => 'What the figures say',
            self::Comparison => 'Comparing',
        };
    }
}
