<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Formula\FormulaError;
use RowTally\Core\Plots\Slopes;
use Tests\Core\Support\ListedTable;

final class SlopesTest extends TestCase
{
    public function test_each_row_that_has_both_is_a_line_and_is_counted_by_its_direction(): void
    {
        $slopes = Slopes::of(self::table([1.0, 2.0, null, 4.0, 5.0], [2.0, 2.0, 3.0, 1.0, null]), 'before', 'after');

        self::assertSame([[1.0, 2.0], [2.0, 2.0], [4.0, 1.0]], $slopes->lines);
        self::assertSame([1, 1, 1, 2], [$slopes->rising, $slopes->falling, $slopes->staying, $slopes->incomplete]);
        self::assertNotNull($slopes->axis);
        self::assertLessThanOrEqual(1.0, $slopes->axis->from);
        self::assertGreaterThanOrEqual(4.0, $slopes->axis->to);
    }

    public function test_a_condition_leaves_rows_in(): void
    {
        $slopes = Slopes::of(self::table([1.0, 2.0, 7.0], [2.0, 1.0, 9.0]), 'before', 'after', new Basis(where: 'before < 5'));

        self::assertSame([[[1.0, 2.0], [2.0, 1.0]], 1, 1, 0], [$slopes->lines, $slopes->rising, $slopes->falling, $slopes->incomplete]);
        $this->expectException(FormulaError::class);
        Slopes::of(self::table([1.0], [2.0]), 'before', 'after', new Basis(where: 'before <'));
    }

    public function test_of_many_rows_every_so_many_are_drawn_and_all_are_counted(): void
    {
        $slopes = Slopes::of(self::table(array_map(floatval(...), range(1, 1000)), array_fill(0, 1000, 500.0)), 'before', 'after');

        self::assertSame([499, 500, 1], [$slopes->rising, $slopes->falling, $slopes->staying]);
        self::assertLessThanOrEqual(Slopes::DRAWN, count($slopes->lines));
        self::assertSame([1.0, 500.0], $slopes->lines[0]);
    }

    public function test_no_row_with_both_has_no_axis(): void
    {
        self::assertNull(Slopes::of(self::table([1.0, null], [null, 2.0]), 'before', 'after')->axis);
    }

    /**
     * @param list<float|null> $before
     * @param list<float|null> $after
     */
    private static function table(array $before, array $after): ListedTable
    {
        $cells = static fn(array $numbers): array => array_map(static fn(?float $number): string => $number === null ? '' : (string) $number, $numbers);

        return ListedTable::of(['before' => $cells($before), 'after' => $cells($after)]);
    }
}
