<?php

declare(strict_types=1);

namespace Tests\Core\Parsing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Parsing\TotalRow;

final class TotalRowTest extends TestCase
{
    /** @return iterable<string, array{list<list<string>>, list<string>}> rows, first entries of those that are no data */
    public static function tables(): iterable
    {
        $rows = [['Alder', '3'], ['Brook', '4'], ['Cold', '5']];
        yield 'no total' => [$rows, []];
        yield 'last' => [[...$rows, ['Total', '12']], ['Total']];
        yield 'last, rounded elsewhere' => [[...$rows, ['Total', '13']], ['Total']];
        yield 'before a source' => [[...$rows, ['Total', '12'], ['Source: our own count', '']], ['Total', 'Source: our own count']];
        yield 'before a source that is no total row' => [[...$rows, ['Grand total', '12'], ['* without Dunmere', '']], ['Grand total', '* without Dunmere']];
        yield 'on top' => [[['All hives', '12'], ...$rows], ['All hives']];
        yield 'on top, but another number' => [[['Total', '99'], ...$rows], []];
        yield 'subtotals within' => [[['A', '1'], ['B', '2'], ['Subtotal north', '3'], ['C', '4'], ['D', '5'], ['Subtotal south', '9'], ['Total', '12']], ['Subtotal north', 'Subtotal south', 'Total']];
        yield 'an average' => [[...$rows, ['Average', '4.0'], ['Dunmere', '7'], ['Eel', '9']], ['Average']];
        yield 'sum and average' => [[...$rows, ['Sum', '12'], ['Mean', '4']], ['Sum', 'Mean']];
        yield 'within, with other numbers' => [[['A', '1'], ['Total', '50'], ['B', '2'], ['C', '3']], []];
        yield 'a label of the data' => [[['Women', '3'], ['Men', '4'], ['Total', '7'], ['Women', '5'], ['Men', '1'], ['Total', '6'], ['Women', '2'], ['Men', '2'], ['Total', '4']], ['Total']];
        yield 'a label of the data that stands last too' => [[['Total', '9'], ['A', '1'], ['B', '2'], ['C', '40'], ['D', '1'], ['E', '1'], ['F', '1'], ['Total', '90']], []];
        yield 'the same name for each block, the last one too' => [[['A', '1'], ['B', '2'], ['C', '3'], ['Total', '6'], ['D', '1'], ['E', '1'], ['F', '1'], ['Total', '3']], ['Total']];
        yield 'with marks between thousands' => [[['A', '1,200'], ['B', '2,300'], ['Total:', '3,500']], ['Total:']];
        yield 'with decimal commas' => [[['A', '1,5'], ['B', '2,5'], ['Summe', '4,0']], ['Summe']];
        yield 'a remark in the middle' => [[['A', '1', 'x'], ['Counted again in the autumn', '', ''], ['B', '2', 'y']], ['Counted again in the autumn']];
        yield 'a row with one entry that is no sentence' => [[['A', '1', 'x'], ['B-17', '', ''], ['C', '2', 'y']], []];
        yield 'one column has no totals' => [[['5'], ['Total'], ['7']], []];
    }

    /**
     * @param list<list<string>> $rows
     * @param list<string>       $entries
     */
    #[DataProvider('tables')]
    public function test_rows_that_add_up_others_are_found_by_their_numbers(array $rows, array $entries): void
    {
        self::assertSame($entries, TotalRow::entries($rows, []));
    }

    public function test_the_end_of_a_long_file_has_its_total_too(): void
    {
        $rows = array_map(static fn(int $i): array => ["row {$i}", (string) $i], range(1, 50));

        self::assertSame(['Total'], TotalRow::entries($rows, [['row 9000', '1'], ['Total', '123456']]));
    }

    /** Each of them is held against what stands before it by sums that go along: by itself it would be hours. */
    public function test_very_many_that_call_themselves_totals_and_are_none_are_rows_like_any_other(): void
    {
        $rows = array_map(static fn(int $i): array => $i % 6 === 0 ? ['Total', '999999'] : ["hive {$i}", (string) (1 + $i % 7)], range(1, 30_000));
        self::assertSame([], TotalRow::entries($rows, []));

        $named = array_map(static fn(int $i): array => $i % 3 === 0 ? ['Total ' . strtr((string) $i, '0123456789', 'abcdefghij'), (string) (2 * $i - 3)] : ["hive {$i}", (string) $i], range(1, 9000));
        self::assertCount(3000, TotalRow::entries($named, []));
    }

    public function test_a_row_of_units_is_none_of_data(): void
    {
        $rows = [['A', '1.5', '3'], ['B', '2.5', '4']];

        self::assertSame([1 => 'kg'], TotalRow::units([['', '(kg)', '-'], ...$rows]));
        self::assertSame([1 => 'kg', 2 => 'min'], TotalRow::units([['', 'kg', 'min'], ...$rows]));
        self::assertNull(TotalRow::units([['C', 'kg', 'min'], ...$rows]), 'it has a label');
        self::assertNull(TotalRow::units([['', 'heavy', 'min'], ...$rows]));
        self::assertNull(TotalRow::units([['', '3', 'min'], ...$rows]));
        self::assertNull(TotalRow::units([['', 'kg', 'min'], $rows[0]]), 'too little below it');
    }
}
