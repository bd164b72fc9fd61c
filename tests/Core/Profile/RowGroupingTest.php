<?php

declare(strict_types=1);

namespace Tests\Core\Profile;

use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Columns\TallyUnderCounts;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Profile\RowGrouping;
use Tests\Core\Support\ListedTable;

/** Every way of slicing against picking the rows out by hand. */
final class RowGroupingTest extends TestCase
{
    public function test_nested_groups_over_a_condition_are_those_picked_out_by_hand(): void
    {
        $table = self::table();
        $slicing = RowGrouping::of($table, ['g', 'h'], ['y'], new Basis(where: 'x > 10'));
        $groups = TallyColumn::byGroup($table->number('x'), $slicing->grouping);
        self::assertCount(count($slicing->labels), $groups);

        $rows = 0;
        foreach ($slicing->labels as $i => [$g, $h]) {
            $own = array_filter(range(0, 19_999), static fn(int $row): bool => self::g($row) === $g && self::h($row) === $h && self::x($row) > 10 && self::y($row) !== '');
            self::assertSame(count($own), $groups[$i]->n(), json_encode([$g, $h], JSON_THROW_ON_ERROR));
            self::assertEqualsWithDelta(array_sum(array_map(self::x(...), $own)), $groups[$i]->sum()->toFloat(), 1e-6);
            $rows += count($own);
        }
        self::assertSame($rows, $slicing->rows);
        self::assertSame($rows, TallyColumn::byGroup($table->number('x'), $slicing->overall)[0]->n());
    }

    public function test_more_groups_than_a_byte_tells_apart(): void
    {
        $table = ListedTable::of(['x' => array_map(strval(...), range(1, 900)), 'a' => array_map(static fn(int $i): string => 'a' . $i % 30, range(1, 900)), 'b' => array_map(static fn(int $i): string => 'b' . intdiv($i - 1, 30), range(1, 900))]);
        $slicing = RowGrouping::of($table, ['a', 'b'], [], new Basis());

        self::assertCount(900, $slicing->labels);
        self::assertSame(array_fill(0, 900, 1), array_map(static fn(Observations $group): int => $group->n(), TallyColumn::byGroup($table->number('x'), $slicing->grouping)));
    }

    public function test_classes_of_a_number_close_on_the_side_of_the_basis(): void
    {
        $values = array_map(static fn(int $i): string => number_format($i / 2, 1, '.', ''), range(0, 120));
        $table = ListedTable::of(['x' => $values]);
        foreach ([[ClassEdge::Left, '0 to under 10', 20, '60 to 70', 1], [ClassEdge::Right, '−0.25 to 9.75', 20, 'over 59.75 to 69.75', 1]] as [$edge, $first, $inFirst, $last, $inLast]) {
            $slicing = RowGrouping::of($table, ['x'], [], new Basis(classEdge: $edge));
            $groups = TallyColumn::byGroup($table->number('x'), $slicing->grouping);

            self::assertSame([[$first], [$last]], [$slicing->labels[0], $slicing->labels[count($groups) - 1]]);
            self::assertSame([$inFirst, $inLast], [$groups[0]->n(), $groups[count($groups) - 1]->n()]);
        }
    }

    public function test_under_counts_each_row_weighs_what_its_count_says(): void
    {
        $table = self::table();
        $slicing = RowGrouping::of($table, ['g'], [], new Basis());
        $groups = TallyUnderCounts::byGroup($table->number('x'), $table->number('w'), $slicing->grouping);
        foreach ($slicing->labels as $i => [$g]) {
            $own = array_filter(range(0, 19_999), static fn(int $row): bool => self::g($row) === $g);
            $weights = array_map(static fn(int $row): int => $row % 7, $own);
            self::assertSame(array_sum($weights), $groups[$i]->n());
            self::assertEqualsWithDelta(array_sum(array_map(static fn(int $row): float => self::x($row) * ($row % 7), $own)), $groups[$i]->sum()->toFloat(), 1e-6);
        }
    }

    public function test_counts_leave_rows_out_that_have_none_or_a_negative_one_and_pairs_far_apart_are_added_up(): void
    {
        $table = ListedTable::of(['x' => ['1', '5000000', '1', '7', '9'], 'w' => ['1.5', '2', '0.5', '-1', '']]);
        self::assertSame([4, 5], TallyUnderCounts::rowsLeftOut($table->number('w')));
        $all = TallyUnderCounts::byGroup($table->number('x'), $table->number('w'), RowGrouping::of($table, [], [], new Basis())->overall)[0];

        self::assertSame([40, 1, 2], [$all->n(), $all->countDecimals, $all->values->distinct()]);
    }

    public function test_what_makes_no_groups_is_refused(): void
    {
        $this->expectException(NotUnderstood::class);
        $this->expectExceptionMessage('"t" makes no groups: it is text. Split by a category or a number.');
        RowGrouping::of(ListedTable::of(['t' => array_map(static fn(int $i): string => "text {$i} that is long", range(1, 600))]), ['t'], [], new Basis());
    }

    private static function table(): ListedTable
    {
        $rows = range(0, 19_999);

        return ListedTable::of([
            'x' => array_map(static fn(int $row): string => (string) self::x($row), $rows),
            'y' => array_map(self::y(...), $rows),
            'g' => array_map(static fn(int $row): string => self::g($row) ?? '', $rows),
            'h' => array_map(static fn(int $row): string => self::h($row) ?? '', $rows),
            'w' => array_map(static fn(int $row): string => (string) ($row % 7), $rows),
        ]);
    }

    private static function x(int $row): float
    {
        return ($row * 7919 % 1001) / 10;
    }

    private static function y(int $row): string
    {
        return $row % 5 === 0 ? '' : (string) ($row % 50);
    }

    private static function g(int $row): ?string
    {
        return [null, 'Alder', 'Brook', '0'][$row * 31 % 4];
    }

    private static function h(int $row): ?string
    {
        return ['p', 'q', null][$row * 17 % 3];
    }
}
