<?php

declare(strict_types=1);

namespace Tests\Core\Parsing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Parsing\ValueList;

final class ValueListTest extends TestCase
{
    /** @return iterable<string, array{string, string|null}> text, and the rows as "a b / c d"; null = no list */
    public static function texts(): iterable
    {
        yield 'any separators' => ['5, 7 9; 12', '5 / 7 / 9 / 12'];
        yield 'one a line' => ["5\n7\n\n9", '5 / 7 / 9'];
        yield 'decimal commas between semicolons' => ['3,5; 4,2; 5', '3,5 / 4,2 / 5'];
        yield 'decimal commas on lines' => ["3,5\n4,2", '3,5 / 4,2'];
        yield 'decimal points between commas' => ['3.5,4.2,5', '3.5 / 4.2 / 5'];
        yield 'commas without blanks' => ['5,7,9,12', '5 / 7 / 9 / 12'];
        yield 'negative, with a typographic minus' => ['-5 −3 +2', '-5 / −3 / +2'];
        yield 'a slip among numbers is kept' => ['5 7 x 9', '5 / 7 / x / 9'];
        yield 'values with counts' => ["2 ×3\n4 x 1", '2 3 / 4 1'];
        yield 'values with fractional counts in one line' => ['0.5*4.6, 1*2', '0.5 4.6 / 1 2'];
        yield 'classes with counts' => ["12-17  4,6\n18–23\t5\n48 and over: 2", '12-17 4,6 / 18–23 5 / 48 and over 2'];
        yield 'a name first' => ["kg\n5\n7", null];
        yield 'a sentence' => ['We weighed 5 hives today', null];
        yield 'nothing' => ['  ', null];
    }

    #[DataProvider('texts')]
    public function test_a_list_is_read_as_people_type_it(string $text, ?string $rows): void
    {
        $list = ValueList::of($text);

        self::assertSame($rows, $list === null ? null : implode(' / ', array_map(static fn(array $row): string => implode(' ', $row), $list->rows)));
    }
}
