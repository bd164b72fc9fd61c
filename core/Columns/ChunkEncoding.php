<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

/** How the values of a chunk are packed. */
enum ChunkEncoding: string
{
    /** One byte a row, an index into the column's dictionary from 1; 0 = missing. */
    case Codes = 'codes';
    /** Signed integers over 10^decimals, little-endian; the smallest integer of the width = missing. */
    case Int16 = 'int16';
    case Int32 = 'int32';
    case Int64 = 'int64';
    /** Doubles, little-endian; NaN = missing. */
    case Float64 = 'float64';
    /** Four bytes of length for each row (all ones = missing), then the UTF-8 texts one after the other. */
    case Text = 'text';

    /** The format letter of pack() and unpack() for one row. */
    public function format(): string
    {
        return match ($this) {
            self::Codes => 'C',
            self::Int16 => 's',
            self::Int32 => 'l',
            self::Int64 => 'q',
            self::Float64 => 'e',
            self::Text => 'V',
        };
    }

    /** The integer that stands for a missing value in the integer encodings. */
    public function missingInteger(): int
    {
        return match ($this) {
            self::Int16 => -0x8000,
            self::Int32 => -0x80000000,
            self::Int64 => PHP_INT_MIN,
            default => 0,
        };
    }

    /** The narrowest integer encoding that holds both ends. */
    public static function forIntegers(int $lowest, int $highest): self
    {
        return match (true) {
            $lowest >= -0x7FFF && $highest <= 0x7FFF => self::Int16,
            $lowest >= -0x7FFFFFFF && $highest <= 0x7FFFFFFF => self::Int32,
            default => self::Int64,
        };
    }
}
