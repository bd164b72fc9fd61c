<?php

declare(strict_types=1);

namespace Tests\Core\Values;

use PHPUnit\Framework\TestCase;
use RowTally\Core\Values\Packed;
use RowTally\Core\Values\Runs;

final class RunsTest extends TestCase
{
    public function test_sorted_numbers_become_distinct_ones_with_counts(): void
    {
        self::assertSame([[-2, 0, 7], [1, 3, 2]], Runs::of([-2, 0, 0, 0, 7, 7]));
        self::assertSame([[0.1, 0.5], [2, 1]], Runs::of([0.1, 0.1, 0.5]));
        self::assertSame([[], []], Runs::of([]));
        self::assertSame([[0], [1]], Runs::of([0]));
    }

    public function test_running_sums_end_at_the_total(): void
    {
        self::assertSame([1, 4, 6], Runs::runningSums([1, 3, 2]));
        self::assertSame([], Runs::runningSums([]));
    }

    public function test_more_numbers_than_a_slice_come_back_in_order(): void
    {
        $numbers = range(-10_000, 10_000);

        self::assertSame($numbers, array_values(Packed::integers('q*', Packed::bytes('q*', $numbers))));
        self::assertSame([1.5, -0.25], array_values(Packed::doubles('e*', Packed::bytes('e*', [1.5, -0.25]))));
        self::assertSame('', Packed::bytes('q*', []));
    }
}
