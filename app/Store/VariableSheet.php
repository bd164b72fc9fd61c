<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Grouped\ClassCost;
use RowTally\Core\Plots\Bars;
use RowTally\Core\Values\Figure;

/** What is said of one variable: of a number figures and plots, of a number or category how often each occurs, of a date its ends. */
final readonly class VariableSheet
{
    /**
     * @param list<array{statistic: Statistic, figures: list<Figure>}> $rows       figures overall, then of each group shown; none unless a number
     * @param list<array{row: int, text: string}>                      $unread     the first cells that could not be read
     * @param array{first: string, last: string}|null                  $dates
     * @param list<ClassCost>|null                                     $classCosts of a number told by classes
     */
    public function __construct(
        public Variable $variable,
        public array $rows = [],
        public ?Bars $bars = null,
        public ?FrequencyTable $frequencies = null,
        public array $unread = [],
        public int $countDecimals = 0,
        public ?array $dates = null,
        public ?array $classCosts = null,
    ) {}
}
