<?php

declare(strict_types=1);

namespace Tests\Core\Columns;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\ChunkEncoding;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Values\ValueCounts;

final class NumberColumnBuilderTest extends TestCase
{
    /** @return iterable<string, array{list<string>, ChunkEncoding, int|null}> */
    public static function columns(): iterable
    {
        $whole = static fn(int $step): array => array_map(static fn(int $i): string => (string) ($i * $step), range(1, 300));
        yield 'few distinct values' => [['1.5', '2', '1.5'], ChunkEncoding::Codes, 1];
        yield 'no value' => [['', ''], ChunkEncoding::Codes, 0];
        yield 'within 16 bits' => [$whole(7), ChunkEncoding::Int16, 0];
        yield 'within 32 bits' => [$whole(1000), ChunkEncoding::Int32, 0];
        yield 'within 64 bits' => [$whole(10 ** 13), ChunkEncoding::Int64, 0];
        yield 'the lowest 16-bit integer means missing' => [[...$whole(7), '-32768'], ChunkEncoding::Int32, 0];
        yield 'beyond 18 digits' => [['1e300', '2'], ChunkEncoding::Float64, null];
        yield 'huge and fine together' => [['1000000000000', '0.00000001'], ChunkEncoding::Float64, null];
        yield 'eighteen digits' => [['123456789012.345678', '0'], ChunkEncoding::Codes, 6];
    }

    /** @param list<string> $cells */
    #[DataProvider('columns')]
    public function test_a_column_is_packed_in_the_narrowest_encoding(array $cells, ChunkEncoding $encoding, ?int $decimals): void
    {
        $builder = new NumberColumnBuilder();
        $chunk = $builder->add($cells)->chunk;

        self::assertSame($encoding, $chunk->encoding);
        self::assertSame($decimals, $builder->decimals());
        self::assertSame(strlen($chunk->payload), count($cells) * strlen(pack($encoding->format(), 0)));
    }

    public function test_what_is_no_number_is_kept_with_its_row_and_counts_as_missing(): void
    {
        $builder = new NumberColumnBuilder();
        $encoded = $builder->add(['5', 'n/a', '', '7', '–', 'n/a']);

        self::assertSame([1 => 'n/a', 4 => '–', 5 => 'n/a'], $encoded->unread);
        self::assertSame([4, 3], [$encoded->chunk->missing, $builder->unread()]);
    }

    public function test_a_column_that_turns_out_wider_keeps_what_was_packed_before(): void
    {
        $builder = new NumberColumnBuilder();
        $parts = [
            ['1', '2', ''],
            array_map(strval(...), range(1, 400)),
            ['0.25', '-7'],
            ['', '0.125'],
        ];
        $chunks = array_map(static fn(array $cells): Chunk => $builder->add($cells)->chunk, $parts);
        $tally = TallyColumn::whole($builder->column($chunks));

        self::assertSame([ChunkEncoding::Codes, ChunkEncoding::Int16, ChunkEncoding::Int16], [$chunks[0]->encoding, $chunks[1]->encoding, $chunks[2]->encoding]);
        self::assertSame([0, 0, 2, 3], array_map(static fn(Chunk $chunk): ?int => $chunk->decimals, $chunks));
        self::assertSame([405, 2], [$tally->n(), $tally->missing]);
        self::assertSame(['-7.000', '0.125', '0.250', '1.000', '1.000'], array_map(static fn(int $rank): string => (string) $tally->values->at($rank), range(1, 5)));
    }

    public function test_a_column_that_becomes_doubles_reads_its_earlier_chunks_as_doubles(): void
    {
        $builder = new NumberColumnBuilder();
        $chunks = [$builder->add(['0.1', '3'])->chunk, $builder->add(['1e300', ''])->chunk];
        $tally = TallyColumn::whole($builder->column($chunks));

        self::assertNull($tally->values->decimals());
        self::assertSame(['0.1', '3.0'], [(string) $tally->values->at(1), (string) $tally->values->at(2)]);
        self::assertSame([3, 1], [$tally->n(), $tally->missing]);
    }

    public function test_values_counted_on_the_way_are_those_of_the_finished_column(): void
    {
        $cells = array_map(static fn(int $i): string => $i % 11 === 0 ? '' : number_format($i % 700 / 4, $i % 3, '.', ''), range(1, 9000));
        $builder = new NumberColumnBuilder();
        $chunks = array_map(static fn(array $part): Chunk => $builder->add($part)->chunk, array_chunk($cells, 1000));
        $counted = $builder->valueCounts();

        self::assertInstanceOf(ValueCounts::class, $counted);
        self::assertSame(TallyColumn::whole($builder->column($chunks))->values->toBytes(), $counted->toBytes());
    }

    public function test_a_small_memory_changes_nothing_but_the_counts(): void
    {
        $cells = array_map(static fn(int $i): string => (string) ($i * 37 % 1009), range(1, 3000));
        $roomy = new NumberColumnBuilder();
        $tight = new NumberColumnBuilder('.', 100);

        self::assertSame(
            TallyColumn::whole($roomy->column([$roomy->add($cells)->chunk]))->values->toBytes(),
            TallyColumn::whole($tight->column([$tight->add($cells)->chunk]))->values->toBytes(),
        );
        self::assertNull($tight->valueCounts());
        self::assertNotNull($roomy->valueCounts());
    }

    public function test_cells_written_alike_are_packed_as_they_would_be_one_by_one(): void
    {
        $alike = array_map(static fn(int $i): string => number_format(($i - 500) * 1.37, 3, '.', ''), range(1, 1000));
        $mixed = [...$alike, '7', '', 'n/a', '1e2'];
        foreach ([$alike, $mixed] as $cells) {
            $tight = new NumberColumnBuilder('.', 10);
            $tight->add(array_map(strval(...), range(1, 400)));
            $tight->add(['0.125']);
            $encoded = $tight->add($cells);
            $plain = (new NumberColumnBuilder())->add($cells);

            self::assertEquals($plain->unread, $encoded->unread);
            self::assertEquals([$plain->chunk->min, $plain->chunk->max, $plain->chunk->missing], [$encoded->chunk->min, $encoded->chunk->max, $encoded->chunk->missing]);
            self::assertEquals($plain->chunk->powerSums?->toTexts(), $encoded->chunk->powerSums?->toTexts());
        }
    }

    public function test_one_value_in_several_spellings_is_one_value(): void
    {
        $builder = new NumberColumnBuilder();
        $chunk = $builder->add(['1', '1.0', '01', '+1', ' 1', '1e0'])->chunk;

        self::assertSame(1, TallyColumn::whole($builder->column([$chunk]))->values->distinct());
    }

    public function test_a_cell_with_a_line_break_is_one_cell_where_cells_are_read_together_too(): void
    {
        $builder = new NumberColumnBuilder('.', 2);
        for ($i = 0; $i < 300; $i += 3) {
            $builder->add([(string) $i, (string) ($i + 1), (string) ($i + 2)]);
        }
        $encoded = $builder->add(['1', "5\n6", '7']);

        self::assertSame([3, 1, [1 => "5\n6"]], [$encoded->chunk->rows, $encoded->chunk->missing, $encoded->unread]);
    }
}
