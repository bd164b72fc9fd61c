<?php

declare(strict_types=1);

namespace Tests\Core\Parsing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Parsing\NumberStyle;
use RowTally\Core\Parsing\NumberText;
use RowTally\Core\Parsing\RecognisedType;
use RowTally\Core\Parsing\VariableType;

/** Negative numbers in other writings, and thousands in groups of two. */
final class NegativesTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function writings(): iterable
    {
        yield 'a sign before a currency' => ['-$5', '-5'];
        yield 'a minus before a currency' => ["\u{2212}€5.50", '-5.50'];
        yield 'brackets' => ['(5)', '-5'];
        yield 'brackets with a currency inside' => ['($1,234.50)', '-1234.50'];
        yield 'brackets with a percent sign inside' => ['(5%)', '-5'];
        yield 'a dash' => ["\u{2013}5", '-5'];
        yield 'a dash before a currency' => ["\u{2013}$5", '-5'];
        yield 'a sign behind' => ['5-', '-5'];
        yield 'a sign behind with decimals' => ['1,234.5-', '-1234.5'];
        yield 'groups of two' => ['1,23,456', '123456'];
        yield 'groups of two, millions' => ['12,34,56,789.5', '123456789.5'];
    }

    #[DataProvider('writings')]
    public function test_a_negative_is_read_where_the_column_leaves_no_doubt(string $cell, string $number): void
    {
        $style = NumberStyle::recognise(['1,500.25', '$20', '7', '12', '30%', '1,000', $cell], false);
        $style = new NumberStyle('.', ',', ['$', '€', '%'], $style->negatives);

        self::assertSame($number, $style->plain($cell));
    }

    public function test_other_writings_are_not_negative_beside_plain_minus_signs_or_alone(): void
    {
        self::assertFalse(NumberStyle::recognise(['-3', '4', '5', '(5)'], false)->negatives, 'the column writes minus another way');
        self::assertFalse(NumberStyle::recognise(['(1)', '(2)', '(3)'], false)->negatives, 'numbers of notes, say');
        self::assertTrue(NumberStyle::recognise(['3', '4', '(5)'], false)->negatives);
        foreach (['(5', '5)', '--5', '5 - 6', '()', '-', '(a)'] as $cell) {
            self::assertSame($cell, (new NumberStyle('.', '', [], true))->plain($cell));
        }
    }

    public function test_a_column_of_accounts_is_a_number(): void
    {
        $type = RecognisedType::of('Balance', ['1,200.00', '(350.00)', '75.50', '(1,000.25)', '3.00'], [], false);

        self::assertSame(VariableType::Number, $type->type);
        self::assertSame(['1200.00', '-350.00', '-1000.25'], array_map($type->style->plain(...), ['1,200.00', '(350.00)', '(1,000.25)']));
    }

    public function test_a_column_of_many_writings_is_a_number_and_no_id(): void
    {
        $type = RecognisedType::of('kg', ['(5)', '3', '-$5', '7-'], [], false, true);
        self::assertSame([VariableType::Number, true], [$type->type, $type->style->negatives]);
        self::assertSame(['-5', '3', '-7'], array_map($type->style->plain(...), ['(5)', '3', '7-']));

        // More brackets than plain numbers: a number, but what the brackets mean is asked.
        $open = RecognisedType::of('loss', ['(5)', '(6)', '(7)', '8'], [], false);
        self::assertSame([VariableType::Number, false], [$open->type, $open->style->negatives]);
        self::assertNotSame(VariableType::Number, RecognisedType::of('note', ['(1)', '(2)', '(3)'], [], false)->type, 'numbers of notes');
    }

    public function test_what_no_double_holds_is_no_number(): void
    {
        self::assertSame([null, null, null], [NumberText::parse('1e-400'), NumberText::parse('-2.5e-330'), NumberText::parse('1e400')]);
        self::assertSame([[0, 18], 5e-324], [NumberText::parse('0e-400'), NumberText::parse('5e-324')]);
    }
}
