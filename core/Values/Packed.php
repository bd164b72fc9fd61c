<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use RowTally\Core\Exception\InvalidInput;

/**
 * pack() and unpack() with types: lists of numbers out of packed bytes, keyed from 1 as unpack() keys them.
 *
 * @internal
 */
final class Packed
{
    private const SLICE = 8192;

    /**
     * @param string $format a letter and a number or *, of one of the integer formats
     *
     * @return array<int, int>
     */
    public static function integers(string $format, string $bytes, int $offset = 0): array
    {
        /** @var array<int, int>|false $integers */
        $integers = unpack($format, $bytes, $offset);

        return $integers === false ? throw InvalidInput::notEncodable('integers') : $integers;
    }

    /** @return array<int, float> */
    public static function doubles(string $format, string $bytes, int $offset = 0): array
    {
        /** @var array<int, float>|false $doubles */
        $doubles = unpack($format, $bytes, $offset);

        return $doubles === false ? throw InvalidInput::notEncodable('doubles') : $doubles;
    }

    /**
     * pack() in slices: a call with a million arguments needs a stack for them.
     *
     * @param list<int>|list<float> $numbers
     */
    public static function bytes(string $format, array $numbers): string
    {
        return implode('', array_map(static fn(array $slice): string => pack($format, ...$slice), array_chunk($numbers, self::SLICE)));
    }
}
