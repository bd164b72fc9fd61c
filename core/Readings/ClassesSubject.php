<?php

declare(strict_types=1);

namespace RowTally\Core\Readings;

use RowTally\Core\Grouped\GroupedFigures;

/** Classes with counts, overall or in a group. */
final readonly class ClassesSubject
{
    public function __construct(
        public GroupedFigures $figures,
        public Wording $wording,
        public ?string $column = null,
    ) {}
}
