<?php

declare(strict_types=1);

namespace Tests\Core\EntryCheck;

use PHPUnit\Framework\TestCase;
use RowTally\Core\EntryCheck\CheckLine;
use RowTally\Core\EntryCheck\NumberEntries;
use RowTally\Core\Values\ValueCounts;

final class NumberEntriesTest extends TestCase
{
    public function test_count_sum_and_the_ends_are_always_said(): void
    {
        self::assertSame(
            ['3 values, sum 7.5' => '', 'The smallest' => '1.5   2   4', 'The largest' => '1.5   2   4'],
            $this->said([15, 20, 40], 1),
        );
        self::assertSame([], NumberEntries::of(ValueCounts::ofUnorderedIntegers([], 0), 'x'));
    }

    public function test_a_slipped_decimal_point_is_another_magnitude(): void
    {
        $values = [...range(150, 169), 1590];

        self::assertSame('1590', $this->said($values, 0)['One value is more than five times as large as three quarters of the others'] ?? null);
        self::assertSame('15.9', $this->said([...range(1500, 1690, 10), 159], 1)['One value is less than a fifth of three quarters of the others'] ?? null);
    }

    public function test_values_with_more_decimals_than_nearly_all_others_are_out_of_pattern(): void
    {
        $values = array_map(static fn(int $tenth): int => 10 * $tenth, range(100, 139));

        self::assertSame('12.34', $this->said([...$values, 1234], 2)['One value has more than 1 decimal'] ?? null);
        self::assertSame(3, count($this->said($values, 2)), 'nothing is odd about tenths among tenths');
    }

    public function test_a_value_in_more_than_half_of_the_rows_is_said(): void
    {
        self::assertArrayHasKey('7 stands in 8 of 12 rows', $this->said([1, 2, 3, 4, 7, 7, 7, 7, 7, 7, 7, 7], 0));
    }

    /**
     * @param list<int> $values
     *
     * @return array<string, string> entries by words
     */
    private function said(array $values, int $decimals): array
    {
        $lines = NumberEntries::of(ValueCounts::ofUnorderedIntegers($values, $decimals), 'x');

        return array_column(array_map(static fn(CheckLine $line): array => [$line->words, $line->entries], $lines), 1, 0);
    }
}
