<?php

declare(strict_types=1);

namespace Tests\Core\Parsing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Parsing\RecognisedType;
use RowTally\Core\Parsing\VariableType;

final class RecognisedTypeTest extends TestCase
{
    /** @return iterable<string, array{list<string>, VariableType}> */
    public static function codes(): iterable
    {
        yield 'postal codes' => [['01067', '80331', '0123'], VariableType::Id];
        yield 'telephones with their country' => [['+49 30 123456', '+49 89 4567890'], VariableType::Id];
        yield 'telephones in one' => [['+493012345', '+442079460958'], VariableType::Id];
        yield 'telephones of one country' => [['030 1234567', '(089) 765432'], VariableType::Id];
        yield 'twice the same is no id' => [['030 1234567', '030 1234567'], VariableType::Category];
        yield 'numbers with a sign' => [['+5', '+7.5', '-3'], VariableType::Number];
        yield 'thousands with a sign' => [['+1,000', '+2,000'], VariableType::Number];
        yield 'groups of two stand between commas only' => [['49 30 123', '49 89 456', '49 40 789'], VariableType::Category];
    }

    /** @param list<string> $cells */
    #[DataProvider('codes')]
    public function test_codes_of_digits_are_no_numbers(array $cells, VariableType $type): void
    {
        self::assertSame($type, RecognisedType::of('x', $cells, [], true)->type);
    }

    /** @return iterable<string, array{string, list<string>, VariableType}> */
    public static function columns(): iterable
    {
        yield 'numbers' => ['Yield', ['1.5', '2', '2'], VariableType::Number];
        yield 'numbers with a third unreadable' => ['Yield', ['1.5', '2', 'n/a'], VariableType::Number];
        yield 'more words than numbers' => ['Yield', ['1.5', 'low', 'n/a'], VariableType::Category];
        yield 'no entry at all' => ['Yield', ['', ' ', ''], VariableType::Number];
        yield 'row numbers' => ['Row', ['1', '2', '3', '4', '5', '6'], VariableType::Id];
        yield 'row numbers in another order' => ['No.', ['3', '1', '2', '6', '5', '4'], VariableType::Id];
        yield 'numbers that run but are called otherwise' => ['Grade', ['1', '2', '3', '4', '5'], VariableType::Number];
        yield 'a name that only ends like one' => ['Paid', ['12', '7', '33'], VariableType::Number];
        yield 'another' => ['Rapid', ['12', '7', '33'], VariableType::Number];
        yield 'a name that only begins like one' => ['Idle', ['12', '7', '33'], VariableType::Number];
        yield 'a number of something' => ['Number', ['12', '7', '33'], VariableType::Number];
        yield 'no. of something' => ['No', ['12', '7', '33', '1', '2'], VariableType::Number];
        yield 'an id in camel case' => ['hiveId', ['71', '12', '55'], VariableType::Id];
        yield 'an id in capitals' => ['HIVE_ID', ['71', '12', '55'], VariableType::Id];
        yield 'a word before it' => ['Hive ID', ['71', '12', '55'], VariableType::Id];
        yield 'postcodes of which one has a leading zero' => ['Place', ['01067', '80331', '10115'], VariableType::Id];
        yield 'telephone numbers of several lengths' => ['Call', ['0171234', '08955512', '030123'], VariableType::Id];
        yield 'times of day' => ['Start', ['07:45', '18:05', '9:30'], VariableType::Date];
        yield 'times of day with seconds and halves' => ['Start', ['7:45:10 am', '6:05 PM'], VariableType::Date];
        yield 'values and an open end' => ['Brood frames', ['0', '1', '2', '3', '4+'], VariableType::Category];
        yield 'a few whole numbers in order are values' => ['Frames', ['1', '2', '3'], VariableType::Number];
        yield 'distinct whole numbers named as an id' => ['Hive id', ['71', '12', '55'], VariableType::Id];
        yield 'distinct whole numbers named as a measure' => ['Mites', ['71', '12', '55'], VariableType::Number];
        yield 'distinct decimals are values whatever their name' => ['id', ['1.5', '2.5'], VariableType::Number];
        yield 'codes holding a digit' => ['Tag', ['AW-001', 'AW-002'], VariableType::Id];
        yield 'codes that repeat' => ['Tag', ['AW-001', 'AW-001'], VariableType::Category];
        yield 'an id has no gaps' => ['Tag', ['AW-001', '', 'AW-003'], VariableType::Category];
        yield 'leading zeros name something' => ['Postcode', ['01234', '01234', '98765'], VariableType::Category];
        yield 'labels' => ['Apiary', ['Brook End', 'Dunmere', 'Dunmere'], VariableType::Category];
        yield 'many different words' => ['Remark', array_map(static fn(int $i): string => 'about ' . chr(97 + $i % 26) . $i, range(1, 40)), VariableType::Text];
        yield 'long sentences' => ['Remark', [str_repeat('a long remark ', 10), 'x'], VariableType::Text];
        yield 'one row' => ['x', ['5'], VariableType::Number];
        yield 'one label' => ['x', ['a'], VariableType::Category];
    }

    /** @param list<string> $cells */
    #[DataProvider('columns')]
    public function test_a_column_is_taken_for_what_its_cells_look_like(string $name, array $cells, VariableType $expected): void
    {
        self::assertSame($expected, RecognisedType::of($name, $cells, [], false)->type);
    }

    public function test_numbers_that_stand_alone_are_no_ids(): void
    {
        self::assertSame([VariableType::Number, VariableType::Id], array_map(static fn(bool $isAlone): VariableType => RecognisedType::of('id', ['71', '12', '55'], [], false, $isAlone)->type, [true, false]));
    }

    public function test_the_decimal_mark_is_the_one_that_reads_more_cells(): void
    {
        self::assertSame(',', RecognisedType::of('kg', ['12,5', '13', 'n/a'], [], true)->style->decimalMark);
        self::assertSame('.', RecognisedType::of('kg', ['12.5', '13'], [], true)->style->decimalMark);
    }

    public function test_a_comma_before_three_digits_is_decimal_only_where_it_is_not_the_delimiter(): void
    {
        $style = static fn(array $cells, bool $commaMark): array => [
            RecognisedType::of('kg', $cells, [], $commaMark)->style->decimalMark,
            RecognisedType::of('kg', $cells, [], $commaMark)->style->groupMark,
        ];

        self::assertSame([',', ''], $style(['1,234', '2,500'], true));
        self::assertSame(['.', ','], $style(['1,234', '2,500'], false));
        self::assertSame([',', ''], $style(['1,23', '2,5'], false), 'quoted cells that can be nothing else');
    }

    public function test_cells_from_elsewhere_in_the_file_have_a_say(): void
    {
        $row = range(1, 10);
        $late = RecognisedType::of('Reading', array_map(strval(...), $row), ['900', '901', '900'], false);

        self::assertSame(VariableType::Number, $late->type);
    }

    public function test_labels_that_read_as_classes_are_a_category_though_each_stands_there_once(): void
    {
        foreach ([['10-14', '15-19'], ['under 6', '6-11', '12 to 17', '18+', 'Total'], ['[0, 5)', '[5, 10)']] as $cells) {
            self::assertSame(VariableType::Category, RecognisedType::of('age', $cells, [], false)->type, $cells[0]);
        }
        self::assertSame(VariableType::Id, RecognisedType::of('part', ['17-12', '18-3', '19-4'], [], false)->type, 'they run backwards');
    }
}
