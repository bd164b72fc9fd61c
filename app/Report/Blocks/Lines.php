<?php

declare(strict_types=1);

namespace App\Report\Blocks;

use App\Report\PaperTable;
use App\Report\Record\StatedFigure;

/** A table on its way: line by line, cell by cell. */
final class Lines
{
    /** @var list<list<string>> */
    private array $cells;
    /** @var array<int, array<int, StatedFigure>> */
    private array $figures = [];
    /** @var list<string> the line that is begun */
    private array $line = [];

    /** @param list<string> $head */
    public function __construct(array $head)
    {
        $this->cells = [$head];
    }

    public function cell(string $text, ?StatedFigure $figure = null): void
    {
        if ($figure !== null) {
            $this->figures[count($this->cells)][count($this->line)] = $figure;
        }
        $this->line[] = $text;
    }

    public function end(): void
    {
        $this->cells[] = $this->line;
        $this->line = [];
    }

    public function table(): PaperTable
    {
        return new PaperTable($this->cells, $this->figures);
    }
}
