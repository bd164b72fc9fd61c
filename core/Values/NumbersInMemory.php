<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use FFI;
use FFI\CData;
use FFI\Exception as Refused;

/**
 * Packed numbers, read as what they are in memory: unpack() makes a text of each number's place first, and takes
 * twice as long.
 *
 * Bytes are copied into a buffer of our own, and no further than it goes. PHP allows that in a command, and in a web server to what
 * was loaded before the first request; where it does not, or the machine orders bytes the other way, there is no buffer.
 *
 * @internal
 */
final class NumbersInMemory
{
    /** Bytes of a number, by its letter of pack(); all of them in the order of the machine, which is that of `v`, `V` and `e`. */
    public const WIDTHS = ['C' => 1, 's' => 2, 'v' => 2, 'l' => 4, 'V' => 4, 'q' => 8, 'e' => 8];
    private const TYPES = ['C' => 'uint8_t', 's' => 'int16_t', 'v' => 'uint16_t', 'l' => 'int32_t', 'V' => 'uint32_t', 'q' => 'int64_t', 'e' => 'double'];
    private const BYTES = 65_536;

    /** @var array<string, CData|null> a buffer for each kind of number, by the letter; null where there can be none */
    private static array $buffers = [];

    /**
     * @param string $letter one of `WIDTHS`
     * @param int    $count  as many are in the bytes from the offset on, at least
     *
     * @return array<int, int>|array<int, float>|null keyed from 1; null where there is no buffer
     */
    public static function read(string $letter, string $bytes, int $offset, int $count): ?array
    {
        if (!array_key_exists($letter, self::$buffers)) {
            self::$buffers[$letter] = self::buffer($letter);
        }
        $buffer = self::$buffers[$letter];
        if ($buffer === null) {
            return null;
        }
        $width = self::WIDTHS[$letter];
        $slice = intdiv(self::BYTES, $width);
        $numbers = [];
        for ($done = 0; $done < $count; $done += $slice) {
            $some = min($slice, $count - $done);
            $from = $offset + $done * $width;
            FFI::memcpy($buffer, $from === 0 ? $bytes : substr($bytes, $from, $some * $width), max(0, $some * $width));
            $numbers = self::appended($numbers, $buffer, $done, $some);
        }

        return $numbers;
    }

    /**
     * @param array<int, int>|array<int, float> $numbers
     *
     * @return array<int, int>|array<int, float>
     */
    private static function appended(array $numbers, CData $buffer, int $done, int $count): array
    {
        for ($i = 0; $i < $count; ++$i) {
            $numbers[++$done] = $buffer[$i];
        }

        /** @var array<int, int>|array<int, float> $numbers */
        return $numbers;
    }

    private static function buffer(string $letter): ?CData
    {
        if (pack('S', 1) !== "\x01\x00") {
            return null;
        }
        try {
            return FFI::cdef()->new(self::TYPES[$letter] . '[' . intdiv(self::BYTES, self::WIDTHS[$letter]) . ']');
        } catch (Refused) {
            return null;
        }
    }
}
