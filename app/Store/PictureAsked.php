<?php

declare(strict_types=1);

namespace App\Store;

use App\Drawing\Look;
use RowTally\Core\Grouped\ClassReading;

/** What is to be drawn: of which question, how it looks, in which room. */
final readonly class PictureAsked
{
    /** @param list<string> $countColumns keys of variables, each the counts of one group of classes */
    public function __construct(
        public Question $question,
        /** What is put against what; null = one variable. */
        public ?CompareQuestion $compare,
        public Look $look,
        public float $width,
        /** Key of the figure that groups are ordered by; '' = none. */
        public string $laneOrder = '',
        public ClassReading $reading = new ClassReading(),
        public array $countColumns = [],
    ) {}
}
