<?php

declare(strict_types=1);

namespace Tests\Core\Columns;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\CategoryColumnBuilder;
use RowTally\Core\Columns\ColumnBuilder;
use RowTally\Core\Columns\DateColumnBuilder;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Columns\TextColumnBuilder;
use RowTally\Core\Parsing\DateText;

/** A chunk is the same whether its cells come at once or in pieces, wherever among them a column changes what it is packed as. */
final class ColumnBuildersTest extends TestCase
{
    use TestTrait;

    public function test_pieces_make_the_chunks_that_whole_ones_make(): void
    {
        $this->forAll(Generators::choose(1, 1 << 30), Generators::elements('number', 'few remembered', 'category', 'date', 'text'))->then(static function (int $seed, string $kind): void {
            mt_srand($seed);
            $new = static fn(): ColumnBuilder => match ($kind) {
                'number' => new NumberColumnBuilder(),
                'few remembered' => new NumberColumnBuilder('.', 40),
                'category' => new CategoryColumnBuilder(['calm']),
                'date' => new DateColumnBuilder(DateText::DayFirst),
                default => new TextColumnBuilder(),
            };
            [$whole, $inPieces] = [$new(), $new()];
            for ($chunk = 0; $chunk < 4; ++$chunk) {
                $cells = self::cells($kind, mt_rand(0, 400));
                for ($left = $cells; $left !== []; $left = array_slice($left, $some)) {
                    $inPieces->take(array_slice($left, 0, $some = mt_rand(0, 90)));
                }
                self::assertEquals(self::told($whole->add($cells)), self::told($inPieces->chunk()));
            }
            if ($whole instanceof NumberColumnBuilder && $inPieces instanceof NumberColumnBuilder) {
                self::assertSame([$whole->decimals(), $whole->dictionary(), $whole->unread()], [$inPieces->decimals(), $inPieces->dictionary(), $inPieces->unread()]);
            }
            if ($whole instanceof CategoryColumnBuilder && $inPieces instanceof CategoryColumnBuilder) {
                self::assertSame([$whole->becameText(), $whole->labels(), $whole->labelCounts()], [$inPieces->becameText(), $inPieces->labels(), $inPieces->labelCounts()]);
            }
        });
    }

    public function test_a_column_that_changes_in_the_middle_of_a_chunk_keeps_what_came_before(): void
    {
        $builder = new NumberColumnBuilder();
        $builder->take(['1', '', '-2.5', 'soon']);
        $builder->take(array_map(strval(...), range(1, 300)));
        $builder->take(['0.125', '7']);
        $integers = $builder->chunk();
        $mark = $integers->chunk->encoding->missingInteger();
        self::assertSame([1000, $mark, -2500, $mark, 1000, 2000], array_slice($integers->chunk->integers(), 0, 6));
        self::assertSame([125, 7000], array_slice($integers->chunk->integers(), -2));
        self::assertSame([3 => 'soon'], $integers->unread);

        $builder->take(['1.5', '']);
        $builder->take(['12345678901234567890.5']);
        $doubles = $builder->chunk();
        self::assertSame([1.5, 12345678901234567890.5], array_values(array_filter($doubles->chunk->doubles(), static fn(float $value): bool => !is_nan($value))));
        self::assertSame(1, $doubles->chunk->missing);
    }

    /** @return list<string> */
    private static function cells(string $kind, int $count): array
    {
        $variety = mt_rand(0, 3);
        $cell = match ($kind) {
            'category', 'text' => static fn(): string => ['', 'calm', "l\n" . mt_rand(0, 3), 'ü' . mt_rand(0, [3, 9, 200, 999][$variety])][mt_rand(0, 3)],
            'date' => static fn(): string => ['', '21.03.2026', mt_rand(1, 28) . '.2.1999', 'soon', '2026-03-2' . mt_rand(0, 9)][mt_rand(0, 4)],
            default => static fn(): string => match (mt_rand(0, 40)) {
                0 => '',
                1 => 'n/a' . mt_rand(0, 2),
                2 => '-0',
                3 => $variety === 3 ? '123456789012345678901' : '5',
                4 => mt_rand(0, 9) . '.' . mt_rand(0, 10 ** mt_rand(0, 6)),
                default => (string) (mt_rand(-[3, 90, 500, 10 ** 9][$variety], [3, 90, 500, 10 ** 9][$variety]) / 10),
            },
        };

        return array_map(static fn(): string => $cell(), $count === 0 ? [] : range(1, $count));
    }

    /** @return list<mixed> */
    private static function told(EncodedCells $cells): array
    {
        $chunk = $cells->chunk;

        return [$chunk->encoding, $chunk->rows, $chunk->missing, bin2hex($chunk->payload), $chunk->decimals, $chunk->min, $chunk->max, $chunk->powerSums?->toTexts(), $cells->unread];
    }
}
