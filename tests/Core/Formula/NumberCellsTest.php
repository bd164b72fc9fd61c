<?php

declare(strict_types=1);

namespace Tests\Core\Formula;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Formula\Decimals;
use RowTally\Core\Formula\NumberCells;

/** Numbers out of the bytes of a chunk against those that the texts of its cells are. */
final class NumberCellsTest extends TestCase
{
    /** @return iterable<string, array{list<list<string>>}> the cells of each chunk */
    public static function columns(): iterable
    {
        mt_srand(59);
        $some = static fn(int $largest, int $decimals, int $rows = 3000): array => array_map(static fn(): string => mt_rand(0, 19) === 0 ? '' : number_format(mt_rand(-$largest, $largest) / 10 ** $decimals, $decimals, '.', ''), range(1, $rows));
        yield 'few different ones' => [[$some(40, 1)]];
        yield 'two bytes' => [[$some(30_000, 2)]];
        yield 'four bytes' => [[$some(2_000_000_000, 4)]];
        yield 'eight bytes, short' => [[$some(900_000_000_000_000, 3)]];
        yield 'about fifteen digits' => [[['999999999999999', '1000000000000000', '-999999999999999', '-1000000000000000', '1000000000000001', '0', '']]];
        yield 'many digits' => [[['9223372036854775807', '-9223372036854775807', '9007199254740993', '', '1']]];
        yield 'many decimals' => [[['0.000000000000000001', '-1.5', '8.999999999999999999', '']]];
        yield 'chunks of other decimals' => [[$some(500, 0), $some(50_000, 3), $some(40, 1)]];
        yield 'doubles' => [[['1e300', '-2.5e-300', '0', '', '0.1', '12'], ['3', '', '4.25']]];
        yield 'whole numbers, then doubles' => [[$some(500, 1), ['1e300']]];
        yield 'nothing' => [[['', '', '']]];
    }

    /** @param list<list<string>> $chunks */
    #[DataProvider('columns')]
    public function test_they_are_what_the_texts_say(array $chunks): void
    {
        $builder = new NumberColumnBuilder();
        $packed = [];
        foreach ($chunks as $cells) {
            $packed[] = $builder->add($cells)->chunk;
        }
        $column = $builder->column($packed);
        foreach ($packed as $i => $chunk) {
            $numbers = NumberCells::of($column, $chunk);
            self::assertCount(count($chunks[$i]), $numbers);
            foreach (ColumnCells::of(new EncodedCells($chunk), $column->dictionary, $column->decimals) as $row => $text) {
                $expected = match (true) {
                    $text === '' => null,
                    $column->decimals === null => (float) $text,
                    default => Decimals::plain(BigDecimal::of($text)),
                };
                if ($expected instanceof BigDecimal) {
                    self::assertInstanceOf(BigDecimal::class, $numbers[$row], $text);
                    self::assertSame((string) $expected, (string) $numbers[$row]);
                } else {
                    self::assertSame($expected, $numbers[$row], $text);
                }
            }
        }
    }
}
