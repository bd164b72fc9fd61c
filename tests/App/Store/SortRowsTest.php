<?php

declare(strict_types=1);

namespace Tests\App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use App\Store\SortRows;
use PHPUnit\Framework\Attributes\DataProvider;
use RowTally\Core\Parsing\VariableType;
use Tests\App\AppTestCase;

/** Rows in an order against the same rows put in order by hand. */
final class SortRowsTest extends AppTestCase
{
    /** @return iterable<string, array{VariableType, list<string>}> what cells of a column say, in their order */
    public static function columns(): iterable
    {
        yield 'decimals' => [VariableType::Number, ['-1.00', '-0.50', '0.00', '3.25', '900719925474.99']];
        yield 'whole numbers of many digits' => [VariableType::Number, ['-9007199254740993', '-9007199254740992', '5', '9007199254740992', '9007199254740993']];
        yield 'doubles' => [VariableType::Number, ['-1e300', '-4', '0', '2.5e-300', '1e300', '1.0000000000000002e300']];
        yield 'labels, in the order in which they came' => [VariableType::Category, ['warm', 'Cold', 'ash', 'Ash']];
        yield 'days' => [VariableType::Date, ['1999-12-31', '2026-03-20', '2026-03-21']];
    }

    /** @param list<string> $ascending */
    #[DataProvider('columns')]
    public function test_rows_come_in_the_order_of_their_values_missing_ones_last_and_equal_ones_as_they_were(VariableType $type, array $ascending): void
    {
        mt_srand(43);
        $column = [...$ascending, ''];
        while (count($column) < 17_000) {
            $column[] = mt_rand(0, 9) === 0 ? '' : $ascending[mt_rand(0, count($ascending) - 1)];
        }
        $dataset = $this->dataset("x,n\n" . implode('', array_map(static fn(string $cell, int $row): string => "{$cell},{$row}\n", $column, array_keys($column))));
        $variable = self::variable($dataset, 'x');
        self::assertSame($type, $variable->type);

        // The place of each cell among all, as a text of one letter.
        $this->assertOrder($dataset, $variable, array_map(static fn(string $cell): string => $cell === '' ? '' : chr(97 + (int) array_search($cell, $ascending, true)), $column));
    }

    public function test_a_few_texts_and_very_many_come_letter_by_letter_whatever_their_case(): void
    {
        mt_srand(47);
        $words = ['swarm', 'Swarm seen', 'ÄPFEL', 'äpfel', 'zoë', '1e3', '1000', 'queen laid well', '合計', 'a b', ''];
        // More are put in order by another program than are held in memory.
        foreach ([300, 200_100] as $rows) {
            $column = [];
            for ($row = 0; $row < $rows; ++$row) {
                $word = $words[mt_rand(0, count($words) - 1)];
                $column[] = $word === '' || $row % 3 === 0 ? $word : "{$word} " . mt_rand(0, 999) . ($row % 7 === 0 ? "\nand a line below" : '');
            }
            $dataset = $this->dataset("remark,n\n" . implode('', array_map(static fn(string $cell, int $row): string => "\"{$cell}\",{$row}\n", $column, array_keys($column))));
            $variable = self::variable($dataset, 'remark');
            self::assertSame(VariableType::Text, $variable->type);

            $this->assertOrder($dataset, $variable, array_map(mb_strtolower(...), $column));
        }
    }

    /** @param list<string> $column what is to be in the order of its bytes */
    private function assertOrder(Dataset $dataset, Variable $variable, array $column): void
    {
        $some = array_values(array_filter(array_keys($column), static fn(int $row): bool => $row % 5 < 3));
        foreach ([false, true] as $descending) {
            foreach ([null, $some] as $wanted) {
                $present = $missing = [];
                foreach ($wanted ?? array_keys($column) as $row) {
                    $column[$row] === '' ? $missing[] = $row : $present[$row] = $column[$row];
                }
                uasort($present, static fn(string $a, string $b): int => $descending ? strcmp($b, $a) : strcmp($a, $b));
                $expected = pack('V*', ...array_keys($present), ...$missing);
                $got = SortRows::of($wanted === null ? null : pack('V*', ...$wanted), $variable, $dataset->revision, $descending);

                self::assertSame(md5($expected), md5($got), 'the first that differs: ' . strspn($expected ^ $got, "\0") / 4);
            }
        }
    }

    private static function variable(Dataset $dataset, string $name): Variable
    {
        return $dataset->variables->firstWhere('name', $name) ?? self::fail("no {$name}");
    }
}
