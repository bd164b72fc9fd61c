<?php

declare(strict_types=1);

namespace Tests\Core\Parsing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Parsing\NumberStyle;

final class NumberStyleTest extends TestCase
{
    /** @return iterable<string, array{list<string>, bool, list<string>}> cells, whether commas can be decimal, decimal mark, group mark and units */
    public static function columns(): iterable
    {
        yield 'plain' => [['1', '2.5', '-3'], true, ['.', '']];
        yield 'decimal commas' => [['1,5', '2', '3,25'], true, [',', '']];
        yield 'English thousands' => [['1,234.5', '12', '2,000,000'], false, ['.', ',']];
        yield 'German thousands' => [['1.234,5', '12', '2.000.000'], true, [',', '.']];
        yield 'French thousands, thin space' => [["1\u{202F}234,5", '12'], true, [',', ' ']];
        yield 'no-break space' => [["1\u{A0}234.5", '12'], false, ['.', ' ']];
        yield 'Swiss thousands' => [["1'234.50", '1’000.00'], true, ['.', "'"]];
        yield 'a unit in every cell' => [['12,5 kg', '13 kg', '9,75kg'], true, [',', '', 'kg']];
        yield 'percent' => [['12 %', '13.5%', '9%'], false, ['.', '', '%']];
        yield 'a currency in front' => [['€ 12', '€13', '€ 1'], false, ['.', '', '€']];
        yield 'one stray unit is not the style' => [['12', '13 kg', '9'], false, ['.', '']];
        yield 'three digits after a comma decide nothing where it can be decimal' => [['1,234', '2,500'], true, [',', '']];
    }

    /** @return iterable<string, array{list<string>, '.'|',', string, string}> cells, what the other columns show, the marks that come of it */
    public static function besideOthers(): iterable
    {
        yield 'nothing but three digits behind the point' => [['4.767', '12.989', '989'], ',', ',', '.'];
        yield 'the same the other way round' => [['4,767', '989'], '.', '.', ','];
        yield 'two digits behind the point in one cell' => [['4.767', '12.98'], ',', '.', ''];
        yield 'a nought before the point' => [['0.767', '0.989'], ',', '.', ''];
        yield 'the others show the same' => [['4.767', '5.100'], '.', '.', ''];
        yield 'no mark at all takes the one shown' => [['12', '7'], ',', ',', ''];
        yield 'four digits before it are no thousands' => [['4767.100', '12.100'], ',', '.', ''];
    }

    /**
     * @param list<string> $cells
     * @param '.'|','      $shown
     */
    #[DataProvider('besideOthers')]
    public function test_what_a_column_leaves_open_is_read_as_in_the_columns_beside_it(array $cells, string $shown, string $decimalMark, string $groupMark): void
    {
        $style = NumberStyle::recognise($cells, true)->beside($cells, $shown);

        self::assertSame([$decimalMark, $groupMark], [$style->decimalMark, $style->groupMark]);
    }

    public function test_a_decimal_mark_is_shown_by_what_can_be_nothing_else(): void
    {
        foreach (['12,5', '-7,25', '0,125', '1.234,567', '3,1415', '12,5 kg'] as $cell) {
            self::assertTrue(NumberStyle::showDecimalMark([$cell], ','), $cell);
        }
        foreach (['1,234', '12', '1,234,567', '1.5', '10,000 kg', ''] as $cell) {
            self::assertFalse(NumberStyle::showDecimalMark([$cell], ','), $cell);
        }
        self::assertTrue(NumberStyle::showDecimalMark(['7', '1,234.5'], '.'));
    }

    /** @param list<string> $cells */
    #[DataProvider('columns')]
    public function test_the_style_is_the_one_that_reads_most_cells(array $cells, bool $commaMark, array $expected): void
    {
        $style = NumberStyle::recognise($cells, $commaMark);

        self::assertSame($expected, [$style->decimalMark, $style->groupMark, ...$style->affixes]);
    }

    public function test_only_marks_and_units_are_taken_off(): void
    {
        $style = new NumberStyle(',', '.', ['kg', '€']);

        self::assertSame(
            ['1234,5', '-1234567', '12,5', '40', '12.34', 'kg', '12,5 lb', 'about 12 kg', '1.23.4', '1234,5'],
            array_map($style->plain(...), ['1.234,5', '-1.234.567', '12,5 kg', '€ 40', '12.34', 'kg', '12,5 lb', 'about 12 kg', '1.23.4', '1.234,5 kg']),
        );
        self::assertSame(["1'234", '1234.5'], [(new NumberStyle('.'))->plain("1'234"), (new NumberStyle('.', "'"))->plain('1’234.5')]);
    }

    public function test_a_number_and_what_stands_beside_it(): void
    {
        self::assertSame(
            [['12,5', 'kg'], ['40', '€'], ['-3', '°C'], null, null, null],
            array_map(NumberStyle::numberAndAffix(...), ['12,5 kg', '€ 40', '-3 °C', 'AW-001', 'n/a', '12']),
        );
    }
}
