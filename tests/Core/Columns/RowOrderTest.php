<?php

declare(strict_types=1);

namespace Tests\Core\Columns;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\RowOrder;

final class RowOrderTest extends TestCase
{
    /** @param list<int|null> $keys */
    #[DataProvider('keys')]
    public function test_the_order_is_that_of_a_stable_sort(array $keys): void
    {
        $present = array_filter($keys, is_int(...));
        $without = array_keys(array_diff_key($keys, $present));
        foreach ([false, true] as $isDescending) {
            $expected = $present;
            uasort($expected, static fn(int $a, int $b): int => $isDescending ? $b <=> $a : $a <=> $b);

            self::assertSame([...array_keys($expected), ...$without], self::ordered($keys, $isDescending));
        }
    }

    /** @return iterable<string, array{list<int|null>}> */
    public static function keys(): iterable
    {
        mt_srand(7);
        yield 'none' => [[]];
        yield 'one' => [[5]];
        yield 'only rows without' => [[null, null]];
        yield 'few keys, many times' => [array_map(static fn(): ?int => mt_rand(0, 9) === 0 ? null : mt_rand(-3, 3), range(1, 5000))];
        yield 'many keys far apart' => [array_map(static fn(): int => mt_rand(-PHP_INT_MAX, PHP_INT_MAX), range(1, 5000))];
        yield 'the ends of the whole numbers' => [[PHP_INT_MAX, 0, PHP_INT_MIN, -1, 1, PHP_INT_MAX, PHP_INT_MIN]];
        yield 'next to one another where doubles are not' => [array_map(static fn(): int => mt_rand(-9, 9) + (1 << 62) * mt_rand(-1, 1), range(1, 5000))];
        yield 'nearly all in one bucket' => [[PHP_INT_MAX, ...array_map(static fn(): int => mt_rand(0, 1000), range(1, 200_000))]];
        yield 'one key, very many times, and another far off' => [[PHP_INT_MIN, ...array_fill(0, 150_000, 4), PHP_INT_MAX]];
    }

    public function test_keys_of_doubles_are_in_their_order(): void
    {
        $doubles = [-INF, -1e300, -2.5, -1.0, -PHP_FLOAT_MIN, 0.0, PHP_FLOAT_MIN, 0.1, 1.0, 2.5, 1e300, INF];
        $keys = RowOrder::keysOf($doubles);
        $ordered = $keys;
        sort($ordered);

        self::assertSame($ordered, array_values($keys));
        self::assertCount(count($doubles), array_unique($keys));
        self::assertSame([3 => 0, 8 => 0], RowOrder::keysOf([3 => 0.0, 8 => -0.0]), 'both zeros are one');
        self::assertSame([], RowOrder::keysOf([]));
    }

    /**
     * @param list<int|null> $keys
     *
     * @return list<int>
     */
    private static function ordered(array $keys, bool $isDescending): array
    {
        $present = array_filter($keys, is_int(...));
        $order = new RowOrder($present === [] ? 0 : min($present), $present === [] ? 0 : max($present), $isDescending);
        foreach (array_chunk($keys, 999, true) as $some) {
            $order->add($some);
        }

        return array_values((array) unpack('V*', implode('', [...$order->pieces()])));
    }
}
