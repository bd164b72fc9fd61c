<?php

declare(strict_types=1);

namespace Tests\Core\Columns;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\Grouping;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Columns\TallyUnderCounts;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Values\ValueCounts;

/** A row that counts five times against the same row five times. */
final class TallyUnderCountsTest extends TestCase
{
    /** @return iterable<string, array{int, int|null}> the largest value, and its decimals; null = doubles */
    public static function values(): iterable
    {
        yield 'few different ones' => [9, 0];
        yield 'decimals' => [500, 2];
        yield 'too far apart for a place each' => [4_000_000_000_000, 1];
        yield 'doubles' => [30, null];
    }

    #[DataProvider('values')]
    public function test_a_count_is_so_many_rows(int $largest, ?int $decimals): void
    {
        mt_srand(37);
        for ($try = 0; $try < 12; ++$try) {
            $rows = [];
            for ($i = mt_rand(1, 300); $i > 0; --$i) {
                $value = mt_rand(-$largest, $largest);
                $rows[] = [
                    mt_rand(0, 9) === 0 ? '' : ($decimals === null ? "{$value}e250" : number_format($value / 10 ** $decimals, $decimals, '.', '')),
                    mt_rand(0, 9) === 0 ? '' : (string) mt_rand(-1, 6),
                    mt_rand(0, 2),
                ];
            }
            $counted = TallyUnderCounts::byGroup(self::column(array_column($rows, 0)), self::column(array_column($rows, 1)), Grouping::ofCodes([array_column($rows, 2)], 3));
            $repeated = array_merge(...array_map(static fn(array $row): array => array_fill(0, max(0, (int) $row[1]), $row), $rows));
            $plain = $repeated === [] ? [] : TallyColumn::byGroup(self::column(array_column($repeated, 0)), Grouping::ofCodes([array_column($repeated, 2)], 3));

            self::assertCount(3, $counted);
            foreach ($plain as $group => $expected) {
                self::assertSame([$expected->n(), $expected->missing, 0], [$counted[$group]->n(), $counted[$group]->missing, $counted[$group]->countDecimals]);
                self::assertTrue($expected->sum()->isEqualTo($counted[$group]->sum()));
                for ($rank = 1; $rank <= $expected->n(); ++$rank) {
                    self::assertTrue($expected->values->at($rank)->isEqualTo($counted[$group]->values->at($rank)));
                }
            }
        }
    }

    public function test_counts_in_parts_are_in_their_own_unit_and_whole_ones_are_whole_however_they_are_written(): void
    {
        $of = static fn(string ...$counts): array => TallyUnderCounts::byGroup(self::column(['1', '2', '']), self::column(array_values($counts)), Grouping::none());
        [$parts] = $of('0.5', '2', '0.25');
        self::assertSame([2, 250, 25], [$parts->countDecimals, $parts->n(), $parts->missing]);
        [$whole] = $of('1.00', '2.00', '3.00');
        self::assertSame([0, 3, 3], [$whole->countDecimals, $whole->n(), $whole->missing]);
    }

    public function test_equal_doubles_are_one_value_and_those_beside_it_are_not(): void
    {
        [$counted] = TallyUnderCounts::byGroup(self::column(['1e300', '2e300', '1e300', '1.0000000000000002e300']), self::column(['2', '1', '3', '4']), Grouping::none());

        self::assertInstanceOf(ValueCounts::class, $counted->values);
        $often = [];
        foreach ($counted->values->slices() as [$slice, $counts]) {
            foreach ($slice as $i => $value) {
                $often[] = [$value, $counts[$i]];
            }
        }
        self::assertSame([[1e300, 5], [1.0000000000000002e300, 4], [2e300, 1]], $often);
    }

    public function test_rows_whose_count_cannot_be_used_are_listed_across_chunks(): void
    {
        $cells = array_fill(0, 20_000, '1');
        [$cells[0], $cells[8191], $cells[8192], $cells[19_999], $cells[5]] = ['', '-1', '', '-0.5', '0'];

        self::assertSame([1, 8192, 8193, 20_000], TallyUnderCounts::rowsLeftOut(self::column($cells)));
        self::assertSame([2], TallyUnderCounts::rowsLeftOut(self::column(['1e300', '-1e300', '0'])));
        self::assertSame([], TallyUnderCounts::rowsLeftOut(self::column(['0', '3'])));
    }

    public function test_the_count_of_each_row_is_in_its_last_place(): void
    {
        self::assertSame(['counts' => [150, null, 25], 'decimals' => 2], TallyUnderCounts::perRow(self::column(['1.5', '', '0.25'])));
        $many = TallyUnderCounts::perRow(self::column([...array_fill(0, 9000, '7'), '8']));
        self::assertSame([9001, 8, 0], [count($many['counts']), $many['counts'][9000], $many['decimals']]);
    }

    public function test_counts_that_no_sum_holds_are_refused_in_words(): void
    {
        foreach ([['1e300', '1'], ['9000000000000000000', '9000000000000000000']] as $counts) {
            try {
                TallyUnderCounts::byGroup(self::column(['1', '2']), self::column($counts), Grouping::none(), 'hives');
                self::fail('not refused');
            } catch (NotUnderstood $refused) {
                self::assertStringContainsString('hives', $refused->getMessage());
            }
        }
        $this->expectException(NotUnderstood::class);
        TallyUnderCounts::perRow(self::column(['1e300']));
    }

    /** @param list<string> $cells */
    private static function column(array $cells): NumberColumn
    {
        $builder = new NumberColumnBuilder();
        $chunks = [];
        foreach (array_chunk($cells, 8192) as $part) {
            $chunks[] = $builder->add($part)->chunk;
        }

        return $builder->column($chunks);
    }
}
