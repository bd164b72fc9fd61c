<?php

declare(strict_types=1);

namespace Tests\Core\Profile;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Profile\RowGrouping;
use RowTally\Core\Profile\RowLabels;
use Tests\Core\Support\ListedTable;

/** The names of rows against picking them out by hand. */
final class RowLabelsTest extends TestCase
{
    public function test_rows_of_any_chunk_are_named_overall_and_in_their_group(): void
    {
        $rows = range(0, 19_999);
        $table = ListedTable::of([
            'kg' => array_map(static fn(int $row): string => number_format($row / 10, 1, '.', ''), $rows),
            'g' => array_map(static fn(int $row): string => $row % 2 === 0 ? 'even' : 'odd', $rows),
            'id' => array_map(static fn(int $row): string => "hive-{$row}", $rows),
        ]);
        $names = new RowLabels($table, 'kg', 'id', RowGrouping::of($table, ['g'], [], new Basis()));
        $decimals = self::decimals('1999.9', '0', '0.1', '900.0');

        self::assertSame(['hive-19999', 'hive-0', 'hive-1', 'hive-9000'], $names->of(0, $decimals));
        self::assertSame([null, 'hive-0', null, 'hive-9000'], $names->of(1, $decimals), 'the even ones');
        self::assertSame(['hive-19999', null, 'hive-1', null], $names->of(2, $decimals), 'the odd ones');
    }

    public function test_a_value_several_times_is_as_many_rows_in_their_order(): void
    {
        $table = ListedTable::of(['kg' => ['3', '1', '3', '', '3'], 'id' => ['a', 'b', 'c', 'd', 'e']]);
        $names = new RowLabels($table, 'kg', 'id', RowGrouping::of($table, [], [], new Basis()));

        self::assertSame(['a', 'c', 'b', 'e'], $names->of(0, self::decimals('3', '3', '1', '3.0')));
        self::assertSame(['a', 'c', 'e', null], $names->of(0, self::decimals('3', '3', '3', '3')), 'one more than there are');
        self::assertSame([], $names->of(0, []));
    }

    public function test_a_row_without_a_name_has_none_and_no_other_row_lends_it_one(): void
    {
        $table = ListedTable::of(['kg' => ['1', '2', '9'], 'id' => ['', 'b', 'c']]);
        $names = new RowLabels($table, 'kg', 'id', RowGrouping::of($table, [], [], new Basis()));

        self::assertSame([null, null, 'b'], $names->of(0, self::decimals('1', '5', '2')));
    }

    public function test_rows_that_a_condition_leaves_out_are_not_named(): void
    {
        $table = ListedTable::of(['kg' => ['7', '7', '8'], 'x' => ['1', '2', '3'], 'id' => ['a', 'b', 'c']]);
        $names = new RowLabels($table, 'kg', 'id', RowGrouping::of($table, [], [], new Basis(where: 'x > 1')));

        self::assertSame(['b', 'c', null], $names->of(0, self::decimals('7', '8', '7')));
    }

    /** @return iterable<string, array{list<string>}> cells whose doubles are the same, or nearly */
    public static function neighbours(): iterable
    {
        yield 'whole numbers of 16 digits' => [['9007199254740992', '9007199254740993', '9007199254740994']];
        yield 'decimals of 17 digits' => [['123456789012345.01', '123456789012345.02', '123456789012345.03']];
        yield 'one of them short' => [['9007199254740993', '2', '9007199254740992']];
        yield 'zeros behind them' => [['1234567890123450', '1234567890123451.5', '1234567890123451']];
        yield 'below zero' => [['-9007199254740993', '-9007199254740992', '0']];
        yield 'doubles' => [['1e300', '1.0000000000000002e300', '-1e-300']];
        yield 'a zero below zero among doubles' => [['1e300', '-0', '5e-324']];
    }

    /** @param list<string> $cells */
    #[DataProvider('neighbours')]
    public function test_numbers_that_a_double_does_not_tell_apart_are_told_apart(array $cells): void
    {
        $ids = array_map(static fn(int $row): string => "row {$row}", array_keys($cells));
        $table = ListedTable::of(['kg' => $cells, 'id' => $ids]);
        $names = new RowLabels($table, 'kg', 'id', RowGrouping::of($table, [], [], new Basis()));

        foreach ([$cells, array_reverse($cells)] as $turn => $asked) {
            self::assertSame($turn === 0 ? $ids : array_reverse($ids), $names->of(0, self::decimals(...$asked)));
        }
    }

    /** @return list<BigDecimal> */
    private static function decimals(string ...$texts): array
    {
        return array_map(BigDecimal::of(...), array_values($texts));
    }
}
