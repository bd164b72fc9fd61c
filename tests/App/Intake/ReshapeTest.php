<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\ColumnDecision;
use App\Intake\Decisions;
use App\Intake\Reshape;
use App\Intake\TableLayout;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Parsing\VariableName;

/** A table in another shape, cell by cell. */
final class ReshapeTest extends TestCase
{
    private const ROWS = [['a', '1', '', '7'], ['b', '3', '4', '8']];

    public function test_variables_stay_as_they_stand(): void
    {
        $reshape = self::reshape(new Decisions());

        self::assertTrue($reshape->isPlain());
        self::assertSame(self::ROWS, $reshape->rows(self::ROWS));
    }

    public function test_a_block_is_one_list_without_its_empty_cells(): void
    {
        $reshape = self::reshape(new Decisions(shape: TableLayout::Block, valueName: 'All (kg)', columns: [0 => new ColumnDecision(isTaken: false)]));

        self::assertSame([['All', 'kg']], self::names($reshape));
        self::assertSame([['1'], ['7'], ['3'], ['4'], ['8']], $reshape->rows(self::ROWS));
    }

    public function test_stacked_columns_repeat_the_others(): void
    {
        $reshape = self::reshape(new Decisions(shape: TableLayout::Stack, stacked: [1, 2]));

        self::assertSame(['g', 'n', 'From column', 'Value'], array_column(self::names($reshape), 0));
        self::assertSame([['a', '7', 'low', '1'], ['a', '7', 'high', ''], ['b', '8', 'low', '3'], ['b', '8', 'high', '4']], $reshape->rows(self::ROWS));
    }

    public function test_limits_become_labels_and_the_others_stay(): void
    {
        $reshape = self::reshape(new Decisions(shape: TableLayout::Limits, stacked: [1, 2]));

        self::assertSame(['g', 'n', 'low to high'], array_column(self::names($reshape), 0));
        self::assertSame([['a', '7', '1 and over'], ['b', '8', '3 to 4']], $reshape->rows(self::ROWS));
        self::assertSame([['c', '9', 'up to 5'], ['d', '9', '']], $reshape->rows([['c', '', '5', '9'], ['d', ' ', '', '9']]));
    }

    public function test_one_column_alone_makes_no_limits(): void
    {
        self::assertTrue(self::reshape(new Decisions(shape: TableLayout::Limits, stacked: [1]))->isPlain());
        self::assertTrue(self::reshape(new Decisions(shape: TableLayout::Limits, stacked: [1, 2], columns: [2 => new ColumnDecision(isTaken: false)]))->isPlain());
    }

    public function test_batches_are_reshaped_column_by_column(): void
    {
        $reshape = self::reshape(new Decisions(shape: TableLayout::Limits, stacked: [1, 2]));
        $columns = static fn(array $rows): array => array_map(static fn(int $i): array => array_column($rows, $i), range(0, 3));

        self::assertSame(
            [[[['a', 'b', 'a'], ['7', '8', '7'], ['1 and over', '3 to 4', '1 and over']], true]],
            iterator_to_array($reshape->pieces([$columns(self::ROWS), $columns([self::ROWS[0]])]), false),
        );
    }

    public function test_a_column_that_is_not_taken_moves_the_others_forward(): void
    {
        $decisions = new Decisions(columns: [1 => new ColumnDecision(isTaken: false)]);

        self::assertSame([0, null, 1, 2, null, null], array_map($decisions->position(...), [0, 1, 2, 3, null, false]));
    }

    private static function reshape(Decisions $decisions): Reshape
    {
        return Reshape::of(VariableName::ofAll(['g', 'low', 'high', 'n']), $decisions);
    }

    /** @return list<array{string, string|null}> */
    private static function names(Reshape $reshape): array
    {
        return array_map(static fn(VariableName $name): array => [$name->name, $name->unit], $reshape->names());
    }
}
