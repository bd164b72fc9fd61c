<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\NumberText;

/** Packs the cells of a date column as ISO 8601 texts. What is no date is missing, and kept as it stands. */
final class DateColumnBuilder
{
    private readonly TextColumnBuilder $texts;
    private int $unread = 0;

    public function __construct(private readonly DateText $order)
    {
        $this->texts = new TextColumnBuilder();
    }

    /** @param list<string> $cells up to Chunk::ROWS */
    public function add(array $cells): EncodedCells
    {
        $unread = [];
        foreach ($cells as $row => $cell) {
            $date = $this->order->iso($cell) ?? DateText::YearFirst->iso($cell);
            if ($date === null && !NumberText::isBlank($cell)) {
                $unread[$row] = $cell;
            }
            $cells[$row] = $date ?? '';
        }
        $this->unread += count($unread);

        return new EncodedCells($this->texts->add($cells)->chunk, $unread);
    }

    public function unread(): int
    {
        return $this->unread;
    }
}
