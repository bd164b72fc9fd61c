<?php

declare(strict_types=1);

namespace Tests\Core\Columns;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\CategoryColumnBuilder;
use RowTally\Core\Columns\ChunkEncoding;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Columns\DateColumnBuilder;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Columns\TextColumnBuilder;
use RowTally\Core\Parsing\DateText;

/** Cells that went into a chunk come out of it, whole and in any window, in every encoding. */
final class ColumnCellsTest extends TestCase
{
    /** @return iterable<string, array{ChunkEncoding, list<string>}> cells as the column shows them */
    public static function numbers(): iterable
    {
        yield 'byte codes' => [ChunkEncoding::Codes, ['1.5', '2.0', '', '1.5', '-3.0']];
        yield 'byte codes without decimals' => [ChunkEncoding::Codes, ['7', '', '0', '-1']];
        $small = array_map(static fn(int $i): string => number_format($i / 10, 1, '.', ''), range(-200, 200));
        yield '16 bits' => [ChunkEncoding::Int16, [...$small, '']];
        yield '32 bits' => [ChunkEncoding::Int32, array_map(static fn(int $i): string => (string) ($i * 100_003), range(-300, 300))];
        yield '64 bits' => [ChunkEncoding::Int64, ['', ...array_map(static fn(int $i): string => (string) ($i * 10_000_000_019), range(1, 400))]];
    }

    /** @param list<string> $cells */
    #[DataProvider('numbers')]
    public function test_numbers_come_out_with_the_decimals_of_their_column(ChunkEncoding $encoding, array $cells): void
    {
        $builder = new NumberColumnBuilder();
        $encoded = $builder->add($cells);

        self::assertSame($encoding, $encoded->chunk->encoding);
        $this->assertWindows($cells, $encoded, $builder->dictionary(), $builder->decimals());
    }

    public function test_a_chunk_packed_before_the_column_had_more_decimals_shows_them(): void
    {
        $builder = new NumberColumnBuilder();
        $first = $builder->add(['1', '2.5', '']);
        $builder->add(['3.125']);

        self::assertSame(['1.000', '2.500', ''], ColumnCells::of($first, $builder->dictionary(), $builder->decimals()));
    }

    public function test_doubles_labels_dates_and_texts_come_out_as_they_are(): void
    {
        $doubles = (new NumberColumnBuilder())->add(['1e300', '', '0.1', '12345678901234567890']);
        self::assertSame(ChunkEncoding::Float64, $doubles->chunk->encoding);
        $this->assertWindows(['1.0e+300', '', '0.1', '1.2345678901234567e+19'], $doubles, [], null);

        $labels = new CategoryColumnBuilder(['never', 'b']);
        $encoded = $labels->add(['b', '', 'ä "x"', 'b']);
        self::assertSame(['never', 'b', 'ä "x"'], $labels->labels());
        $this->assertWindows(['b', '', 'ä "x"', 'b'], $encoded, $labels->labels(), null);

        $dates = (new DateColumnBuilder(DateText::DayFirst))->add(['21.03.2026', '', 'soon']);
        $this->assertWindows(['2026-03-21', '', 'soon'], $dates, [], null);
        $texts = ['', "two\nlines", str_repeat('x', 70_000), 'שלום', ''];
        $this->assertWindows($texts, (new TextColumnBuilder())->add($texts), [], null);
    }

    public function test_what_could_not_be_read_stands_where_it_stood(): void
    {
        $builder = new NumberColumnBuilder();
        $encoded = $builder->add(['1', 'n/a', '', '–', '2']);

        $this->assertWindows(['1', 'n/a', '', '–', '2'], $encoded, $builder->dictionary(), $builder->decimals());
    }

    public function test_a_builder_that_goes_on_keeps_codes_and_decimals(): void
    {
        $builder = NumberColumnBuilder::continuing(['1.5', '2'], 1, 20, true);
        $encoded = $builder->add(['2', '1.5', '7', '']);

        self::assertSame([ChunkEncoding::Codes, "\x02\x01\x03\x00", ['1.5', '2', '7'], 1], [$encoded->chunk->encoding, $encoded->chunk->payload, $builder->dictionary(), $builder->decimals()]);
        $wide = NumberColumnBuilder::continuing([], 0, 10 ** 17, false);
        $wide->add(['0.25']);
        self::assertNull($wide->decimals(), 'two more decimals leave no room for the largest value elsewhere');
    }

    /**
     * @param list<string> $cells
     * @param list<string> $dictionary
     */
    private function assertWindows(array $cells, EncodedCells $encoded, array $dictionary, ?int $decimals): void
    {
        self::assertSame($cells, ColumnCells::of($encoded, $dictionary, $decimals));
        foreach ([[0, 1], [1, 2], [count($cells) - 1, 5], [2, 0], [count($cells), 3]] as [$offset, $count]) {
            self::assertSame(array_slice($cells, $offset, $count), ColumnCells::of($encoded, $dictionary, $decimals, $offset, $count));
        }
    }
}
