<?php

declare(strict_types=1);

namespace Tests\Core\Columns;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\Bulk;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\NumberColumnBuilder;

final class BulkTest extends TestCase
{
    /** @return iterable<string, array{callable(int): string, array{int|float, int|float}, array{int|float, int|float}}> the cell of row i, between what the lower end lies, and the upper */
    public static function columns(): iterable
    {
        yield 'spread evenly: all of it' => [static fn(int $i): string => (string) ($i * 7919 % 40_009), [0, 0], [40_008, 40_008]];
        yield 'in order: all of it' => [static fn(int $i): string => (string) $i, [1, 1], [70_000, 70_000]];
        yield 'one far out: without it' => [static fn(int $i): string => (string) ($i === 777 ? 10 ** 15 : $i * 7919 % 40_009), [0, 100], [39_900, 40_008]];
        yield 'far out on both sides, in decimals' => [static fn(int $i): string => $i === 9 ? '-99999999.25' : ($i === 60_000 ? '99999999.25' : number_format($i * 7919 % 40_009 / 100, 2, '.', '')), [0, 100], [39_900, 40_008]];
        yield 'doubles' => [static fn(int $i): string => $i === 777 ? '1e300' : ($i * 7919 % 40_009) . 'e200', [0.0, 1e202], [3.99e204, 4.0008e204]];
        yield 'one value and one far out: all of it' => [static fn(int $i): string => $i === 777 ? '1000000' : '7', [7, 7], [1_000_000, 1_000_000]];
        yield 'nothing' => [static fn(int $i): string => '', [0, 0], [0, 0]];
    }

    /**
     * @param callable(int): string       $cell
     * @param array{int|float, int|float} $low
     * @param array{int|float, int|float} $high
     */
    #[DataProvider('columns')]
    public function test_it_leaves_out_what_lies_far_out_and_nothing_else(callable $cell, array $low, array $high): void
    {
        $builder = new NumberColumnBuilder();
        $chunks = array_map(static fn(array $cells): Chunk => $builder->add($cells)->chunk, array_chunk(array_map($cell, range(1, 70_000)), Chunk::ROWS));
        $column = $builder->column($chunks);
        [$from, $to] = Bulk::of($column, $chunks, ...$column->ends($chunks));

        self::assertTrue($from >= $low[0] && $from <= $low[1], "from {$from}");
        self::assertTrue($to >= $high[0] && $to <= $high[1], "to {$to}");
    }
}
