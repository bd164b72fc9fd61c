<?php

declare(strict_types=1);

namespace Tests\Core\Columns;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\AmendedNumbers;
use RowTally\Core\Columns\ChunkEncoding;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Columns\NumberColumnBuilder;

/** Against packing all cells anew: the same chunk to the byte, or nothing. */
final class AmendedNumbersTest extends TestCase
{
    /** @return iterable<string, array{list<string>, ChunkEncoding}> */
    public static function columns(): iterable
    {
        $cells = static fn(int $from, int $by, string $behind = ''): array => array_map(static fn(int $i): string => $i % 11 === 0 ? '' : ($i % 17 === 0 ? 'n/a' : ($from + $i * $by) . $behind), range(1, 400));
        yield 'byte codes' => [array_map(static fn(int $i): string => $i % 7 === 0 ? '' : (string) ($i % 9) . '.5', range(1, 400)), ChunkEncoding::Codes];
        yield '16 bits' => [$cells(-300, 7), ChunkEncoding::Int16];
        yield '32 bits, with decimals' => [$cells(40_000, 13, '.25'), ChunkEncoding::Int32];
        yield '64 bits' => [$cells(0, 10 ** 12), ChunkEncoding::Int64];
        yield 'without a missing one' => [array_map(static fn(int $i): string => (string) ($i * 31), range(1, 400)), ChunkEncoding::Int16];
    }

    /** @param list<string> $cells */
    #[DataProvider('columns')]
    public function test_it_is_what_packing_all_of_it_anew_gives(array $cells, ChunkEncoding $encoding): void
    {
        $builder = new NumberColumnBuilder();
        $before = $builder->add($cells);
        self::assertSame($encoding, $before->chunk->encoding, 'the encoding under test');
        $column = new NumberColumn($builder->decimals(), $builder->dictionary(), []);
        $texts = ['', ' ', 'n/a', '?', '3', '4.5', '-1', '2', '1e2', ...array_slice(array_filter($cells, is_numeric(...)), 3, 9)];
        mt_srand(5);
        $amended = 0;
        for ($try = 0; $try < 300; ++$try) {
            $edits = [];
            for ($i = mt_rand(1, 4); $i > 0; --$i) {
                $edits[mt_rand(0, 399)] = $texts[mt_rand(0, count($texts) - 1)];
            }
            $again = NumberColumnBuilder::continuing($builder->dictionary(), $builder->decimals() ?? 0, 10 ** 15, $encoding === ChunkEncoding::Codes);
            $anew = $again->add(array_values(array_replace($cells, $edits)));
            $got = AmendedNumbers::of($before, $column, $edits);
            if ($got === null) {
                continue;
            }
            ++$amended;
            self::assertSame($builder->dictionary(), $again->dictionary());
            self::assertSame([$anew->chunk->payload, $anew->chunk->missing, $anew->chunk->min, $anew->chunk->max, $anew->unread], [$got->cells->chunk->payload, $got->cells->chunk->missing, $got->cells->chunk->min, $got->cells->chunk->max, $got->cells->unread]);
            self::assertSame($anew->chunk->powerSums?->toTexts(), $got->cells->chunk->powerSums?->toTexts());
            self::assertSame($anew->chunk->encoding, $got->cells->chunk->encoding);
            self::assertSame($anew->chunk->decimals, $got->cells->chunk->decimals);
            self::assertSame($before->chunk->missing - $got->cells->chunk->missing, count($got->added) - count($got->removed));
        }
        self::assertGreaterThan(100, $amended, 'a test of nothing');
    }

    public function test_what_does_not_fit_is_packed_anew(): void
    {
        $builder = new NumberColumnBuilder();
        $before = $builder->add(array_map(static fn(int $i): string => (string) ($i * 31), range(1, 400)));
        $column = new NumberColumn($builder->decimals(), $builder->dictionary(), []);

        foreach (['40000', '1.5', '1e300', '999999999999999999999'] as $text) {
            self::assertNull(AmendedNumbers::of($before, $column, [3 => $text]), $text);
        }
        self::assertNull(AmendedNumbers::of($before, new NumberColumn(1, [], []), [3 => '4']), 'other decimals');
        self::assertNull(AmendedNumbers::of($before, new NumberColumn(null, [], []), [3 => '4']), 'doubles');
        self::assertNull(AmendedNumbers::of($before, $column, array_fill(0, 400, '')), 'no value left');
        self::assertNotNull(AmendedNumbers::of($before, $column, [3 => '4']));
    }
}
