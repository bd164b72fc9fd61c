<?php

declare(strict_types=1);

namespace App\Report\Blocks;

use App\Report\PaperTable;
use App\Report\Record\StatedFigure;

/** What a block shows. */
final readonly class MadeBlock
{
    /**
     * @param list<PaperTable>   $tables
     * @param list<string>       $said    sentences
     * @param string             $basis   what it rests on
     * @param list<StatedFigure> $figures those that stand in no table
     * @param list<string>       $lacks   what in it has come to nothing, and why
     */
    public function __construct(
        public string $basis = '',
        public array $tables = [],
        public ?string $svg = null,
        public array $said = [],
        public array $figures = [],
        public array $lacks = [],
    ) {}
}
