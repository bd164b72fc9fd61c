<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use RowTally\Core\Values\Packed;
use RowTally\Core\Values\PowerSums;

/**
 * Up to 8,192 rows of one column, packed, with their partial aggregates. Chunks of one column may differ in encoding and in
 * decimals: a column that turns out wider than it began needs no rewriting.
 */
final readonly class Chunk
{
    public const ROWS = 8192;

    public function __construct(
        public ChunkEncoding $encoding,
        public int $rows,
        public int $missing,
        public string $payload,
        /** Decimals of the integer encodings and of min, max and the sums of any number chunk; null = doubles or no numbers. */
        public ?int $decimals = null,
        /** Smallest and largest value, unscaled when $decimals is set; null when the chunk has no numbers. */
        public int|float|null $min = null,
        public int|float|null $max = null,
        public ?PowerSums $powerSums = null,
    ) {}

    /** @return array<int, int> the rows of any encoding but doubles and texts, keyed from 1; missing as the encoding's own mark */
    public function integers(): array
    {
        return Packed::integers($this->encoding->format() . '*', $this->payload);
    }

    /** @return array<int, float> the rows of a chunk of doubles, keyed from 1; missing as NaN */
    public function doubles(): array
    {
        return Packed::doubles($this->encoding->format() . '*', $this->payload);
    }

    /** @return list<string|null> the texts of a text chunk */
    public function texts(): array
    {
        $texts = [];
        $at = 4 * $this->rows;
        foreach (Packed::integers('V' . $this->rows, $this->payload) as $length) {
            if ($length === 0xFFFFFFFF) {
                $texts[] = null;
                continue;
            }
            $texts[] = substr($this->payload, $at, $length);
            $at += $length;
        }

        return $texts;
    }
}
