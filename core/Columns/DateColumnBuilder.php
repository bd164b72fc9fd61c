<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\NumberText;

/** Packs the cells of a date column as ISO 8601 texts. What is no date is missing, and kept as it stands. */
final class DateColumnBuilder extends ColumnBuilder
{
    private readonly TextColumnBuilder $texts;
    private int $rows = 0;
    /** @var array<int, string> of the chunk at hand, by row */
    private array $unreadHere = [];
    private int $unread = 0;

    public function __construct(private readonly DateText $order)
    {
        $this->texts = new TextColumnBuilder();
    }

    public function take(array $cells): void
    {
        foreach ($cells as $row => $cell) {
            $date = $this->order->iso($cell) ?? DateText::YearFirst->iso($cell);
            if ($date === null && !NumberText::isBlank($cell)) {
                $this->unreadHere[$this->rows + $row] = $cell;
            }
            $cells[$row] = $date ?? '';
        }
        $this->rows += count($cells);
        $this->texts->take($cells);
    }

    public function chunk(): EncodedCells
    {
        $encoded = new EncodedCells($this->texts->chunk()->chunk, $this->unreadHere);
        $this->unread += count($this->unreadHere);
        $this->unreadHere = [];
        $this->rows = 0;

        return $encoded;
    }

    public function unread(): int
    {
        return $this->unread;
    }
}
