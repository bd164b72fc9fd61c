<?php

declare(strict_types=1);

namespace Tests\Core\Profile;

use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Profile\RowGrouping;
use RowTally\Core\Profile\RowsBeyond;
use Tests\Core\Support\ListedTable;

/** Rows beyond limits against picking them out by hand. */
final class RowsBeyondTest extends TestCase
{
    public function test_the_farthest_from_the_middle_comes_first_and_rows_in_their_order_where_equally_far(): void
    {
        $table = ListedTable::of(['kg' => ['5', '-9', '11', '', '19', '21', '10']]);
        $beyond = RowsBeyond::of($table, 'kg', RowGrouping::of($table, [], [], new Basis()), [[0.0, 10.0]], 10);

        self::assertSame(4, $beyond['total']);
        self::assertSame([[6, 21.0], [2, -9.0], [5, 19.0], [3, 11.0]], self::rows($beyond), '16, 14, 14 and 6 from the middle');
    }

    public function test_on_a_limit_is_beyond_it_only_where_that_is_asked(): void
    {
        $table = ListedTable::of(['kg' => ['0', '5', '10', '10.1']]);
        $grouping = RowGrouping::of($table, [], [], new Basis());

        self::assertSame([[4, 10.1]], self::rows(RowsBeyond::of($table, 'kg', $grouping, [[0.0, 10.0]], 10)));
        self::assertSame([[4, 10.1], [1, 0.0], [3, 10.0]], self::rows(RowsBeyond::of($table, 'kg', $grouping, [[0.0, 10.0]], 10, true)));
    }

    public function test_few_are_given_and_all_are_counted(): void
    {
        $table = ListedTable::of(['kg' => array_map(strval(...), range(1, 9000))]);
        $beyond = RowsBeyond::of($table, 'kg', RowGrouping::of($table, [], [], new Basis()), [[0.0, 100.0]], 3);

        self::assertSame([8900, [[9000, 9000.0], [8999, 8999.0], [8998, 8998.0]]], [$beyond['total'], self::rows($beyond)]);
    }

    public function test_of_very_many_the_nearest_are_let_go_on_the_way(): void
    {
        mt_srand(67);
        $cells = array_map(static fn(): string => (string) mt_rand(-500, 500), range(1, 60_000));
        $table = ListedTable::of(['kg' => $cells]);
        $beyond = RowsBeyond::of($table, 'kg', RowGrouping::of($table, [], [], new Basis()), [[-1.0, 1.0]], 40);
        $expected = array_filter(array_map(intval(...), $cells), static fn(int $value): bool => abs($value) > 1);
        $total = count($expected);
        uasort($expected, static fn(int $a, int $b): int => abs($b) <=> abs($a));
        $expected = array_slice($expected, 0, 40, true);

        self::assertSame([$total, array_map(static fn(int $row): int => $row + 1, array_keys($expected))], [$beyond['total'], array_column($beyond['rows'], 'row')]);
    }

    public function test_without_limits_none_is_beyond(): void
    {
        $table = ListedTable::of(['kg' => ['1', '1e300', '']]);
        $grouping = RowGrouping::of($table, [], [], new Basis());
        foreach ([[], [null]] as $limits) {
            self::assertSame(['total' => 0, 'rows' => []], RowsBeyond::of($table, 'kg', $grouping, $limits, 10));
        }
    }

    public function test_overall_and_in_groups_under_a_condition_as_picked_out_by_hand(): void
    {
        mt_srand(41);
        for ($try = 0; $try < 6; ++$try) {
            $rows = mt_rand(1, 17_000);
            $cells = ['kg' => [], 'g' => [], 'x' => []];
            for ($row = 0; $row < $rows; ++$row) {
                $cells['kg'][] = mt_rand(0, 19) === 0 ? '' : number_format(mt_rand(-900, 900) / 10, 1, '.', '');
                $cells['g'][] = ['a', 'b', ''][mt_rand(0, 2)];
                $cells['x'][] = (string) mt_rand(0, 9);
            }
            // So that the order of the labels is that of the groups.
            [$cells['g'][0], $cells['g'][1], $cells['x'][0], $cells['x'][1]] = ['a', 'b', '9', '9'];
            $cells = array_map(static fn(array $column): array => array_slice($column, 0, max(2, $rows)), [...$cells, 'kg' => [...$cells['kg'], '0.0']]);
            $table = ListedTable::of($cells);
            $grouping = RowGrouping::of($table, ['g'], [], new Basis(where: 'x > 2'));
            $limits = [[-80.0, 85.0], [-70.0, 70.0], null, [-88.5, 60.0]];
            $limits = array_slice($limits, 0, count($grouping->labels) + 1);
            $beyond = RowsBeyond::of($table, 'kg', $grouping, $limits, PHP_INT_MAX);

            $expected = [];
            foreach ($cells['kg'] as $row => $cell) {
                if ($cell === '' || (int) $cells['x'][$row] <= 2) {
                    continue;
                }
                $columns = [];
                $place = array_search([$cells['g'][$row] === '' ? null : $cells['g'][$row]], $grouping->labels, true);
                foreach ([0, (int) $place + 1] as $column) {
                    $limit = $limits[$column];
                    if ($limit !== null && ((float) $cell < $limit[0] || (float) $cell > $limit[1])) {
                        $columns[] = $column;
                    }
                }
                if ($columns !== []) {
                    $expected[] = ['row' => $row + 1, 'value' => (float) $cell, 'columns' => $columns];
                }
            }
            usort($expected, static fn(array $a, array $b): int => [abs($b['value'] - 2.5), $a['row']] <=> [abs($a['value'] - 2.5), $b['row']]);
            self::assertSame(['total' => count($expected), 'rows' => $expected], $beyond);
        }
    }

    /**
     * @param array{total: int, rows: list<array{row: int, value: float, columns: list<int>}>} $beyond
     *
     * @return list<array{int, float}>
     */
    private static function rows(array $beyond): array
    {
        return array_map(static fn(array $row): array => [$row['row'], $row['value']], $beyond['rows']);
    }
}
