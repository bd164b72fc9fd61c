<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

/** A finished chunk, and the cells of it that could not be read: they are missing in the chunk and kept here as they stand. */
final readonly class EncodedCells
{
    public function __construct(
        public Chunk $chunk,
        /** @var array<int, string> row within the chunk, from 0 => the text as it stands */
        public array $unread = [],
    ) {}
}
