<?php

declare(strict_types=1);

namespace App\Report\Document;

use App\Report\Blocks;

/** What a block of a report is. */
enum BlockKind: string
{
    case Heading = 'heading';
    case Text = 'text';
    case Figures = 'figures';
    case Overview = 'overview';
    case Picture = 'picture';
    case Frequencies = 'frequencies';
    case Classes = 'classes';
    case Comparison = 'comparison';
    case Readings = 'readings';
    case Rows = 'rows';
    /** As it was when it was kept: it cannot be asked for again. */
    case Held = 'held';

    /** What it is numbered as; null = it has no number. */
    public function numberedAs(): ?string
    {
        return match ($this) {
            self::Figures, self::Overview, self::Frequencies, self::Classes, self::Comparison, self::Rows => 'Table',
            self::Picture => 'Figure',
            self::Heading, self::Text, self::Readings, self::Held => null,
        };
    }

    /** @return class-string<Blocks\MakesBlock>|null what makes it of the data; null where there is nothing but words in it */
    public function maker(): ?string
    {
        return match ($this) {
            self::Heading, self::Text => null,
            self::Figures => Blocks\FiguresBlock::class,
            self::Overview => Blocks\OverviewBlock::class,
            self::Picture => Blocks\PictureBlock::class,
            self::Frequencies => Blocks\FrequenciesBlock::class,
            self::Classes => Blocks\ClassesBlock::class,
            self::Comparison => Blocks\ComparisonBlock::class,
            self::Readings => Blocks\ReadingsBlock::class,
            self::Rows => Blocks\RowsBlock::class,
            self::Held => Blocks\HeldBlock::class,
        };
    }
}
