<?php

declare(strict_types=1);

namespace Tests\Core\Columns;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\CategoryColumnBuilder;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\ChunkEncoding;
use RowTally\Core\Columns\Grouping;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Columns\TextColumnBuilder;
use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\ValueCounts;
use RuntimeException;
use Tests\Core\Support\Numbers;

/** Each fast shape of tallying against the plain one: pick out the cells of a group and count those alone. */
final class TallyColumnTest extends TestCase
{
    /** @return iterable<string, array{callable(int): string, ChunkEncoding, int, 3?: class-string}> the cell of row i, the encoding it must lead to, rows, and how values are held */
    public static function shapes(): iterable
    {
        yield 'byte codes' => [static fn(int $i): string => (string) ($i % 12), ChunkEncoding::Codes, 20_000];
        yield 'dense integers' => [static fn(int $i): string => number_format($i * 7919 % 4001 / 100, 2, '.', ''), ChunkEncoding::Int16, 20_000];
        yield 'integers too far apart for an array' => [static fn(int $i): string => (string) ($i * 7919 % 4001 * 10 ** 6), ChunkEncoding::Int64, 20_000];
        yield 'doubles' => [static fn(int $i): string => ($i * 7919 % 4001) . '.5e250', ChunkEncoding::Float64, 20_000];
        yield 'many integers, in buckets' => [static fn(int $i): string => (string) ($i * 7919 % 40_009 * 10 ** 6), ChunkEncoding::Int64, 70_000, BucketedValues::class];
        yield 'many doubles, in buckets' => [static fn(int $i): string => ($i * 7919 % 40_009) . '.5e250', ChunkEncoding::Float64, 70_000, BucketedValues::class];
        yield 'integers with a few far out' => [static fn(int $i): string => (string) ($i % 30_011 === 777 ? 10 ** 16 : ($i === 40_000 ? -(10 ** 15) : $i * 7919 % 40_009)), ChunkEncoding::Int32, 70_000, BucketedValues::class];
        yield 'doubles with a few far out' => [static fn(int $i): string => $i % 30_011 === 777 ? '1e300' : ($i * 7919 % 40_009) . '.5e250', ChunkEncoding::Float64, 70_000, BucketedValues::class];
        yield 'nearly all in one bucket' => [static fn(int $i): string => (string) ($i % 9999 === 0 ? 10 ** 16 : $i % 40_009), ChunkEncoding::Int64, 70_000, BucketedValues::class];
    }

    /** @param callable(int): string $cell */
    #[DataProvider('shapes')]
    public function test_every_shape_counts_what_the_plain_way_counts(callable $cell, ChunkEncoding $encoding, int $rows, string $held = ValueCounts::class): void
    {
        $labels = ['Alder Wick', '', '0', 'Brook End', '01'];
        $cells = $groups = [];
        for ($i = 1; $i <= $rows; ++$i) {
            $cells[] = $i % 13 === 0 ? '' : $cell($i);
            $groups[] = $labels[$i * 31 % 5];
        }
        $numbers = new NumberColumnBuilder();
        $categories = new CategoryColumnBuilder();
        $numberChunks = array_map(static fn(array $part): Chunk => $numbers->add($part)->chunk, array_chunk($cells, Chunk::ROWS));
        $groupChunks = array_map(static fn(array $part): Chunk => $categories->add($part)->chunk, array_chunk($groups, Chunk::ROWS));
        self::assertSame($encoding, $numberChunks[1]->encoding, 'the shape under test must be the one that runs');

        [$tallies, $all] = TallyColumn::byGroupAndAll($numbers->column($numberChunks), Grouping::ofCategory($groupChunks, count($categories->labels())));

        foreach (['', ...$categories->labels()] as $code => $label) {
            $own = array_values(array_filter($cells, static fn(int $i): bool => $groups[$i] === $label, ARRAY_FILTER_USE_KEY));
            $present = array_values(array_filter($own, static fn(string $text): bool => $text !== ''));
            self::assertInstanceOf($held, $tallies[$code]->values);
            self::assertSame(self::dump(Numbers::ofTexts($present)), self::dump($tallies[$code]->values->counted()), $label);
            self::assertSame(count($own) - count($present), $tallies[$code]->missing, $label);
        }
        self::assertSame($held === BucketedValues::class, $all !== null, 'all rows come of the same pass where values are in buckets');
        if ($all !== null) {
            $whole = TallyColumn::whole($numbers->column($numberChunks));
            self::assertSame([self::dump($whole->values->counted()), $whole->missing], [self::dump($all->values->counted()), $all->missing]);
            self::assertEquals($whole->powerSums(), $all->powerSums());
            self::assertEquals($whole->median(), $all->median());
        }
        self::assertSame($rows, array_sum(array_map(static fn(Observations $group): int => $group->n() + $group->missing, $tallies)));
    }

    /** @param callable(int): string $cell */
    #[DataProvider('shapes')]
    public function test_it_tells_how_far_it_is_and_is_given_up(callable $cell, ChunkEncoding $encoding, int $rows): void
    {
        $numbers = new NumberColumnBuilder();
        $chunks = array_map(static fn(array $part): Chunk => $numbers->add($part)->chunk, array_chunk(array_map($cell, range(1, $rows)), Chunk::ROWS));
        self::assertSame($encoding, $chunks[1]->encoding);
        $column = $numbers->column($chunks);
        $groups = Grouping::ofCodes(array_map(static fn(Chunk $chunk): array => array_fill(1, $chunk->rows, 0), $chunks), 1);
        $told = [];
        TallyColumn::byGroup($column, $groups, static function (int $done, int $of) use (&$told): void {
            $told[] = "{$done} of {$of}";
        });
        self::assertSame(array_map(static fn(int $i): string => "{$i} of " . count($chunks), array_keys($chunks)), $told);

        $this->expectExceptionMessage('given up after 1');
        TallyColumn::byGroup($column, $groups, static function (int $done): void {
            if ($done === 1) {
                throw new RuntimeException('given up after 1');
            }
        });
    }

    public function test_groups_must_be_byte_codes(): void
    {
        $builder = new NumberColumnBuilder();
        $column = $builder->column([$builder->add(['1'])->chunk]);

        $this->expectException(InvalidInput::class);
        TallyColumn::byGroup($column, Grouping::ofCategory([(new TextColumnBuilder())->add(['a'])->chunk], 1));
    }

    public function test_a_column_without_rows_has_no_values(): void
    {
        $tally = TallyColumn::whole((new NumberColumnBuilder())->column([]));

        self::assertSame([0, 0], [$tally->n(), $tally->missing]);
    }

    private static function dump(ValueCounts $values): string
    {
        return implode(' ', array_map(
            static fn(array $entry): string => "{$entry['value']}×{$entry['count']}",
            $values->n() === 0 ? [] : $values->between(1, $values->n()),
        ));
    }
}
