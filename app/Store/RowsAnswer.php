<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;

/** A window of rows. */
final readonly class RowsAnswer
{
    /**
     * @param int                         $total     rows in the view
     * @param list<int>                   $rows      numbers of the rows in the window, from 1
     * @param array<string, list<string>> $cells     by variable; missing is the empty text
     * @param array<string, list<int>>    $unread    places in the window of cells that could not be read, by variable
     * @param list<Variable>              $variables
     * @param array<int, string>          $aside     by place in the window, why the row is set aside; only of those that are
     */
    public function __construct(
        public int $revision,
        public int $total,
        public int $from,
        public array $rows,
        public array $cells,
        public array $unread,
        public array $variables,
        public array $aside = [],
    ) {}
}
