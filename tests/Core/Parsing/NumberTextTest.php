<?php

declare(strict_types=1);

namespace Tests\Core\Parsing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Parsing\NumberText;

final class NumberTextTest extends TestCase
{
    /** @return iterable<string, array{string, array{int, int}|float|null}> */
    public static function texts(): iterable
    {
        yield 'whole' => ['42', [42, 0]];
        yield 'decimal' => ['12.50', [1250, 2]];
        yield 'negative decimal' => ['-0.5', [-5, 1]];
        yield 'no digit before the point' => ['.5', [5, 1]];
        yield 'minus and no digit before the point' => ['-.5', [-5, 1]];
        yield 'no digit after the point' => ['7.', [7, 0]];
        yield 'leading zeros' => ['007', [7, 0]];
        yield 'plus sign' => ['+3', [3, 0]];
        yield 'typographic minus' => ["\u{2212}3.1", [-31, 1]];
        yield 'blanks around' => [" \u{A0}8 ", [8, 0]];
        yield 'minus zero is zero' => ['-0.0', [0, 1]];
        yield 'exponent' => ['1.5e3', [1500, 0]];
        yield 'negative exponent' => ['15E-3', [15, 3]];
        yield 'eighteen digits' => ['123456789012345678', [123456789012345678, 0]];
        yield 'nineteen digits become a double' => ['1234567890123456789', 1234567890123456789.0];
        yield 'huge' => ['1e300', 1e300];
        yield 'tiny' => ['1e-300', 1e-300];
        yield 'beyond the doubles' => ['1e999', null];
        yield 'decimal comma' => ['1,5', null];
        yield 'thousands mark' => ['1,000.5', null];
        yield 'unit' => ['5 kg', null];
        yield 'percent' => ['5%', null];
        yield 'only a point' => ['.', null];
        yield 'only a minus' => ['-', null];
        yield 'words' => ['NaN', null];
        yield 'hexadecimal' => ['0x1A', null];
        yield 'digits of another script' => ["\u{0663}", null];
        yield 'two points' => ['1.2.3', null];
        yield 'empty' => ['', null];
        yield 'not UTF-8' => ["\xFF\xFE", null];
    }

    /** @param array{int, int}|float|null $expected */
    #[DataProvider('texts')]
    public function test_a_cell_is_a_number_or_it_is_not(string $text, array|float|null $expected): void
    {
        self::assertSame($expected, NumberText::parse($text));
    }

    public function test_with_a_decimal_comma_the_point_is_no_decimal_mark(): void
    {
        self::assertSame([125, 1], NumberText::parse('12,5', ','));
        self::assertNull(NumberText::parse('12.5', ','));
    }

    public function test_blank_is_nothing_but_blanks_of_any_width(): void
    {
        self::assertTrue(NumberText::isBlank(" \t\u{A0}\u{2009}"));
        self::assertFalse(NumberText::isBlank('0'));
        self::assertFalse(NumberText::isBlank('–'));
    }

    public function test_cells_written_alike_are_read_together_as_one_by_one(): void
    {
        self::assertSame([1250, -5, 0], NumberText::parseAlike(['12.50', '-0.05', '0.00'], 2));
        self::assertSame([125, 7], NumberText::parseAlike(['12,5', '0,7'], 1, ','));
        self::assertSame([12, -3, 7], NumberText::parseAlike(['12', '-3', '007'], 0));
        foreach ([['12.5', '3'], ['12.50', '1.2'], ['1', ''], ['1', ' 2'], ['1e3'], ["1\n2x"], ["1\n2"], ['+1'], ['−1'], ['1.5'], []] as $cells) {
            self::assertNull(NumberText::parseAlike($cells, 0), json_encode($cells, JSON_THROW_ON_ERROR));
        }
        self::assertNull(NumberText::parseAlike(['123456789012345678'], 0), 'longer than is surely a machine integer with a sign');
        self::assertNull(NumberText::parseAlike(['1.0'], 17), 'no room before the point');
        mt_srand(7);
        for ($try = 0; $try < 200; ++$try) {
            $decimals = mt_rand(0, 6);
            $cells = array_map(static fn(): string => number_format(mt_rand(-(10 ** 9), 10 ** 9) / 10 ** $decimals, $decimals, '.', ''), range(1, mt_rand(1, 9)));
            self::assertSame(array_map(static fn(string $cell): int => ((array) NumberText::parse($cell))[0], $cells), NumberText::parseAlike($cells, $decimals));
        }
    }
}
