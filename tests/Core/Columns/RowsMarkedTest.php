<?php

declare(strict_types=1);

namespace Tests\Core\Columns;

use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\CategoryColumnBuilder;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\Grouping;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Columns\RowsMarked;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Observations\Observations;

/** A few marked rows are known by place, and what is left of a tally without them is what a count of the others says. */
final class RowsMarkedTest extends TestCase
{
    public function test_what_is_left_is_what_the_other_rows_have(): void
    {
        mt_srand(4);
        foreach ([['short', 12], ['wide', 4], ['codes', 3]] as [$kind, $times]) {
            for ($time = 0; $time < $times; ++$time) {
                [$column, $by, $labels, $marks] = self::random($kind);
                $marked = RowsMarked::by($marks);
                $whole = TallyColumn::whole($column);
                $byLabel = TallyColumn::byGroup($column, Grouping::ofCategory($by, 3));
                $tallies = $marked->tally($column, $column->chunks, $by, 3);
                // Those without a label come first in one, last in the other.
                $all = [$whole, ...array_slice($byLabel, 1), $byLabel[0]];
                $left = array_map(static fn(Observations $one, Observations $aside): Observations => $one->less($aside), $all, $tallies);
                self::assertSame(array_map(self::told(...), self::counted($column, $labels, $marks)), array_map(self::told(...), $left));
                self::assertSame([$tallies[0]->n() + $tallies[0]->missing, array_keys($marked->places())], [$marked->rows(), $marked->chunks()]);
                self::assertSame(self::told($tallies[0]), self::told($marked->tally($column, $column->chunks)[0]));
                $counts = $marked->labels($by, 3);
                self::assertSame($marked->rows(), array_sum($counts['counts']) + $counts['missing']);
            }
        }
    }

    public function test_none_and_all(): void
    {
        $builder = new NumberColumnBuilder();
        $chunk = $builder->add(['1', '', '3'])->chunk;
        $column = new NumberColumn(0, $builder->dictionary(), [$chunk]);
        self::assertSame([[], 0], [RowsMarked::by(["\0\0\0"])->chunks(), RowsMarked::by(["\0\0\0"])->rows()]);
        self::assertSame([[0, 1, 2]], RowsMarked::by(["\1\2\1"])->places());
        $all = TallyColumn::whole($column)->less(RowsMarked::by(["\1\2\1"])->tally($column, [$chunk])[0]);
        self::assertSame([0, 0], [$all->n(), $all->missing]);
        $whole = TallyColumn::whole($column);
        $gap = $whole->less(RowsMarked::by(["\0\1\0"])->tally($column, [$chunk])[0]);
        self::assertSame([2, 0], [$gap->n(), $gap->missing], 'only one without a value has gone');
    }

    /** @return array{string, int} */
    private static function told(Observations $observations): array
    {
        $sums = $observations->powerSums()->toTexts();

        return [bin2hex($observations->values->counted()->toBytes()) . " {$sums['sum']} {$sums['squares']}", $observations->missing];
    }

    /**
     * @param list<string>       $labels of all rows
     * @param array<int, string> $marks
     *
     * @return list<Observations> counted anew: all, each label, those without one
     */
    private static function counted(NumberColumn $column, array $labels, array $marks): array
    {
        $whole = $groups = [];
        $row = 0;
        foreach (array_values($marks) as $chunk => $bytes) {
            foreach (str_split($bytes) as $byte) {
                $label = $labels[$row++];
                $whole[$chunk][] = $byte === "\0" ? 0 : null;
                $groups[$chunk][] = $byte !== "\0" ? null : ($label === '' ? 3 : (int) $label - 1);
            }
        }

        return [...TallyColumn::byGroup($column, Grouping::ofCodes(array_values($whole), 1)), ...TallyColumn::byGroup($column, Grouping::ofCodes(array_values($groups), 4))];
    }

    /** @return array{NumberColumn, list<Chunk>, list<string>, array<int, string>} */
    private static function random(string $kind): array
    {
        $numbers = new NumberColumnBuilder();
        $categories = new CategoryColumnBuilder(['1', '2', '3']);
        $chunks = $by = $labels = $marks = [];
        foreach ($kind === 'wide' ? [8192, 8192, 8192, 8192, 8192, 8192, 8192, 8192, 8192, 40] : [50, 3, 70] as $rows) {
            $cells = $own = [];
            $bytes = '';
            for ($i = 0; $i < $rows; ++$i) {
                $cells[] = mt_rand(0, 9) === 0 ? '' : match ($kind) {
                    'codes' => (string) mt_rand(1, 4),
                    'wide' => mt_rand(-2_000_000_000, 2_000_000_000) . '.' . mt_rand(0, 99),
                    default => mt_rand(-40, 40) . (mt_rand(0, 1) === 0 ? '' : '.5'),
                };
                $own[] = mt_rand(0, 4) === 0 ? '' : (string) mt_rand(1, 3);
                $bytes .= mt_rand(0, 5) === 0 ? chr(mt_rand(1, 2)) : "\0";
            }
            $chunks[] = $numbers->add($cells)->chunk;
            $by[] = $categories->add($own)->chunk;
            array_push($labels, ...$own);
            $marks[] = $bytes;
        }

        return [new NumberColumn($numbers->decimals(), $numbers->dictionary(), $chunks), $by, $labels, $marks];
    }
}
