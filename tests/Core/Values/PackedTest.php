<?php

declare(strict_types=1);

namespace Tests\Core\Values;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Values\NumbersInMemory;
use RowTally\Core\Values\Packed;

final class PackedTest extends TestCase
{
    /** @return iterable<string, array{string, list<int>|list<float>}> */
    public static function numbers(): iterable
    {
        foreach (['C' => [0, 255], 's' => [-0x8000, 0x7FFF], 'v' => [0, 0xFFFF], 'l' => [-0x80000000, 0x7FFFFFFF], 'V' => [0, 0xFFFFFFFF], 'q' => [PHP_INT_MIN, PHP_INT_MAX]] as $letter => [$least, $most]) {
            yield $letter => [$letter, [$least, 0, 1, $most, $most - 1, intdiv($least, 3), 0, intdiv($most, 7)]];
        }
        yield 'e' => ['e', [-1.5, 0.1, PHP_FLOAT_MIN, PHP_FLOAT_MAX, -INF, INF, 5e-324, -0.0]];
    }

    /** @param list<int>|list<float> $some */
    #[DataProvider('numbers')]
    public function test_numbers_are_those_of_unpack_however_many(string $letter, array $some): void
    {
        foreach ([1, 8, 63, 64, 65, 8192, 70_000] as $count) {
            $numbers = array_slice(array_merge(...array_fill(0, intdiv($count, 8) + 1, $some)), 0, $count);
            $bytes = Packed::bytes("{$letter}*", $numbers);
            $read = static fn(string $format, string $bytes, int $offset = 0): array => $letter === 'e' ? Packed::doubles($format, $bytes, $offset) : Packed::integers($format, $bytes, $offset);
            self::assertSame(unpack("{$letter}*", $bytes), $read("{$letter}*", $bytes));
            self::assertSame(unpack("{$letter}*", "abc{$bytes}", 3), $read("{$letter}*", "abc{$bytes}", 3));
            self::assertSame(unpack("{$letter}{$count}", "{$bytes}{$bytes}"), $read("{$letter}{$count}", "{$bytes}{$bytes}"));
        }
    }

    public function test_no_number_is_another_one(): void
    {
        $nan = Packed::doubles('e*', Packed::bytes('e*', array_fill(0, 100, NAN)));
        self::assertCount(100, array_filter($nan, is_nan(...)));
    }

    public function test_more_than_there_are_is_refused_and_never_read_from_elsewhere(): void
    {
        $bytes = Packed::bytes('q*', range(1, 100));
        foreach ([['q101', 0], ['q100', 1], ['q9999', 8]] as [$format, $offset]) {
            try {
                @Packed::integers($format, $bytes, $offset);
                self::fail("{$format} from {$offset} was read");
            } catch (InvalidInput) {
                $this->addToAssertionCount(1);
            }
        }
        // Bytes that are no whole number stay.
        self::assertSame(range(1, 100), array_values(Packed::integers('q*', "{$bytes}abc")));
    }

    public function test_bytes_are_looked_at_as_numbers_where_these_tests_run(): void
    {
        self::assertSame([1 => 7, 8, 9], NumbersInMemory::read('q', pack('q*', 6, 7, 8, 9, 10), 8, 3));
    }
}
