<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use RowTally\Core\Exception\InvalidInput;

/**
 * pack() and unpack() with types: lists of numbers out of packed bytes, keyed from 1 as unpack() keys them.
 *
 * Cost  of many numbers, half of what unpack() takes, where PHP may look at bytes as numbers (`NumbersInMemory`).
 *
 * @internal
 */
final class Packed
{
    private const SLICE = 8192;
    /** Of fewer numbers unpack() is the quicker one. */
    private const MANY = 64;

    /**
     * @param string $format a letter and a number or *, of one of the integer formats
     *
     * @return array<int, int>
     */
    public static function integers(string $format, string $bytes, int $offset = 0): array
    {
        /** @var array<int, int>|false $integers */
        $integers = self::many($format, $bytes, $offset) ?? unpack($format, $bytes, $offset);

        return $integers === false ? throw InvalidInput::notEncodable('integers') : $integers;
    }

    /** @return array<int, float> */
    public static function doubles(string $format, string $bytes, int $offset = 0): array
    {
        /** @var array<int, float>|false $doubles */
        $doubles = self::many($format, $bytes, $offset) ?? unpack($format, $bytes, $offset);

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

    /** @return array<int, int>|array<int, float>|null null where unpack() has to read them, or to refuse them */
    private static function many(string $format, string $bytes, int $offset): ?array
    {
        $width = NumbersInMemory::WIDTHS[$format[0]] ?? null;
        if ($width === null || !isset($format[1]) || $offset < 0) {
            return null;
        }
        $there = intdiv(strlen($bytes) - $offset, $width);
        $count = $format[1] === '*' ? $there : (int) substr($format, 1);

        return $count < self::MANY || $count > $there ? null : NumbersInMemory::read($format[0], $bytes, $offset, $count);
    }
}
