<?php

declare(strict_types=1);

namespace Tests\Core\Frequency;

use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\Grouping;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Frequency\LabelFrequencies;
use Tests\Core\Support\ListedTable;

/** Labels counted by hand: overall, by group, and under counts. */
final class LabelFrequenciesTest extends TestCase
{
    private const CELLS = [
        'kind' => ['lime', 'heather', 'lime', '', 'lime', 'heather'],
        'shelf' => ['a', 'a', 'b', 'b', '', 'b'],
        'jars' => ['2', '0.5', '1', '4', '3', '0.5'],
    ];

    public function test_overall_comes_first_and_rows_without_a_group_are_the_first_group(): void
    {
        $table = self::table(null, true);

        self::assertSame(['lime', 'heather'], $table->labels);
        self::assertSame([[3, 2], [1, 0], [1, 1], [1, 1]], $table->counts);
        self::assertSame([1, 0, 0, 1], $table->missing);
        self::assertSame(0, $table->countDecimals);
    }

    public function test_a_row_counts_as_often_as_its_count_says(): void
    {
        $table = self::table(self::CELLS['jars'], false);

        // 2 + 1 + 3 and 0.5 + 0.5, in tenths because one of them is not whole.
        self::assertSame([[[60, 10]], [40], 1], [$table->counts, $table->missing, $table->countDecimals]);
    }

    public function test_whole_counts_are_whole_numbers_though_they_have_decimals(): void
    {
        $table = self::table(['2.0', '1.0', '1.0', '4.0', '3.0', '1.0'], false);

        self::assertSame([[[6, 2]], [4], 0], [$table->counts, $table->missing, $table->countDecimals]);
    }

    public function test_rows_with_a_negative_or_missing_count_are_left_out(): void
    {
        $table = self::table(['2', '-1', '', '1', '1', '1'], false);

        self::assertSame([[[3, 1]], [1]], [$table->counts, $table->missing]);
    }

    public function test_tables_with_other_decimals_stand_beside_their_sum_in_the_finer_unit(): void
    {
        $together = FrequencyTable::together([self::table(['1', '1', '1', '1', '1', '1'], false), self::table(self::CELLS['jars'], false)]);

        self::assertSame([[90, 30], [30, 20], [60, 10]], $together->counts);
        self::assertSame([[50, 10, 40], 1], [$together->missing, $together->countDecimals]);
    }

    /** @param list<string>|null $jars */
    private static function table(?array $jars, bool $bySplit): FrequencyTable
    {
        $cells = ListedTable::of([...self::CELLS, ...($jars === null ? [] : ['jars' => $jars])]);

        return LabelFrequencies::table(
            $cells->chunks('kind'),
            $cells->dictionary('kind'),
            [Grouping::none(), ...($bySplit ? [Grouping::ofCategory($cells->chunks('shelf'), count($cells->dictionary('shelf')))] : [])],
            $jars === null ? null : $cells->number('jars'),
        );
    }
}
