<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use FFI;
use FFI\CData;
use FFI\Exception as Refused;

/**
 * Packed numbers, read through a view of the bytes in memory: unpack() makes a text of each number's place first, and takes
 * twice as long.
 *
 * Bytes are copied into a buffer of our own, and no further than it goes. PHP allows that in a command, and in a web server to what
 * was loaded before the first request; where it does not, or the machine orders bytes the other way, there is no view.
 *
 * @internal
 */
final class NumbersInMemory
{
    /** Bytes of a number, by its letter of pack(); all of them in the order of the machine, which is that of `v`, `V` and `e`. */
    public const WIDTHS = ['C' => 1, 's' => 2, 'v' => 2, 'l' => 4, 'V' => 4, 'q' => 8, 'e' => 8];
    private const TYPES = ['C' => 'uint8_t', 's' => 'int16_t', 'v' => 'uint16_t', 'l' => 'int32_t', 'V' => 'uint32_t', 'q' => 'int64_t', 'e' => 'double'];
    private const BYTES = 65_536;

    private static ?CData $buffer = null;
    /** @var array<string, CData> the buffer as numbers, by the letter */
    private static array $views = [];
    private static ?bool $isThere = null;

    /**
     * @param string $letter one of `WIDTHS`
     * @param int    $count  as many are in the bytes from the offset on, at least
     *
     * @return array<int, int>|array<int, float>|null keyed from 1; null where there is no view
     */
    public static function read(string $letter, string $bytes, int $offset, int $count): ?array
    {
        if (!(self::$isThere ??= self::isThere()) || self::$buffer === null) {
            return null;
        }
        $width = self::WIDTHS[$letter];
        $view = self::$views[$letter];
        $slice = intdiv(self::BYTES, $width);
        $numbers = [];
        for ($done = 0; $done < $count; $done += $slice) {
            $some = min($slice, $count - $done);
            $from = $offset + $done * $width;
            FFI::memcpy(self::$buffer, $from === 0 ? $bytes : substr($bytes, $from, $some * $width), max(0, $some * $width));
            $numbers = self::appended($numbers, $view, $done, $some);
        }

        return $numbers;
    }

    /**
     * @param array<int, int>|array<int, float> $numbers
     *
     * @return array<int, int>|array<int, float>
     */
    private static function appended(array $numbers, CData $view, int $done, int $count): array
    {
        for ($i = 0; $i < $count; ++$i) {
            $numbers[++$done] = $view[$i];
        }

        /** @var array<int, int>|array<int, float> $numbers */
        return $numbers;
    }

    private static function isThere(): bool
    {
        if (pack('S', 1) !== "\x01\x00") {
            return false;
        }
        try {
            $memory = FFI::cdef();
            self::$buffer = $memory->new('uint8_t[' . self::BYTES . ']');
            foreach (self::TYPES as $letter => $type) {
                $view = self::$buffer === null ? null : $memory->cast($type . '[' . intdiv(self::BYTES, self::WIDTHS[$letter]) . ']', self::$buffer);
                if ($view === null) {
                    return false;
                }
                self::$views[$letter] = $view;
            }
        } catch (Refused) {
            return false;
        }

        return true;
    }
}
