<?php

declare(strict_types=1);

namespace Tests\Core\Formula;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Formula\Formula;
use RowTally\Core\Formula\FormulaError;
use RowTally\Core\Formula\Kind;
use Tests\Core\Support\ListedRows;

/** How a formula is taken apart: what belongs together without brackets, and where it stops. */
final class ParserTest extends TestCase
{
    private const COLUMNS = [
        'a' => [3.0, -1.5, 0.0, 7.25, null],
        'b' => [2.0, 4.0, -0.5, 1.0, 3.0],
        'c' => [-2.0, 0.5, 3.0, 2.0, 1.0],
        'g' => ['x', 'y', '', 'x', null],
        'h' => ['x', 'x', 'y', 'Y', 'y'],
    ];

    /** @return iterable<string, array{string, string}> two ways to write the same */
    public static function same(): iterable
    {
        $pairs = [
            'a + b * c' => 'a + (b * c)',
            'a * b + c' => '(a * b) + c',
            'a - b - c' => '(a - b) - c',
            'a - b + c' => '(a - b) + c',
            'a / b / c' => '(a / b) / c',
            'a / b * c' => '(a / b) * c',
            'a * b / c' => '(a * b) / c',
            'a mod b * c' => '(a mod b) * c',
            'a + b mod c' => 'a + (b mod c)',
            'b ^ c ^ 2' => 'b ^ (c ^ 2)',
            'a * b ^ 2' => 'a * (b ^ 2)',
            'b ^ 2 * a' => '(b ^ 2) * a',
            '-b ^ 2' => '-(b ^ 2)',
            'b ^ -2' => 'b ^ (-2)',
            '-a * b' => '(-a) * b',
            'a * -b' => 'a * (-b)',
            'a - -b' => 'a - (-b)',
            'a --b' => 'a + b',
            '+a' => 'a',
            '- + - a' => 'a',
            'a · b' => 'a * b',
            'a × b' => 'a * b',
            'a ÷ b' => 'a / b',
            'a − b' => 'a - b',
            'max(a, b; c)' => 'max(a; b, c)',
            'max(max(a, b), c)' => 'max(a, b, c)',
            'MAX(a, b)' => 'max(a, b)',
            '((a))' => 'a',
            '  a+b  ' => 'a + b',
            "a\n+\tb" => 'a + b',
            '.5 * a' => '0.5 * a',
            '5e-1 * a' => '0.5 * a',
            '"a" + b' => 'a + b',
            'mean(a, b)' => '(a + b) / 2',
            'round(a, 0)' => 'round(a)',
        ];
        foreach ($pairs as $formula => $other) {
            yield "{$formula} is {$other}" => [(string) $formula, $other];
        }
    }

    #[DataProvider('same')]
    public function test_both_are_worth_the_same_in_every_row(string $formula, string $other): void
    {
        $rows = new ListedRows(self::COLUMNS);
        $numbers = static fn(string $text): array => array_map(static fn(?string $cell): ?float => $cell === null ? null : (float) $cell, Formula::of($text, $rows->names())->cells($rows));
        self::assertEqualsWithDelta($numbers($other), $numbers($formula), 1e-12);
    }

    /** @return iterable<string, array{string, string}> */
    public static function sameConditions(): iterable
    {
        $pairs = [
            'a > b or a < c and b > c' => 'a > b or (a < c and b > c)',
            'a > b and b > c or a < c' => '(a > b and b > c) or a < c',
            'not a > b and b > c' => '(not a > b) and b > c',
            'not not a > b' => 'a > b',
            'not (a > b or b > c)' => 'a <= b and b <= c',
            'a + b > c * 2' => '(a + b) > (c * 2)',
            'a ≥ b' => 'a >= b',
            'a ≤ b' => 'a <= b',
            'a ≠ b' => 'a <> b',
            'a != b' => 'not a = b',
            'a <> b' => 'a < b or a > b',
            'c < b < a' => 'c < b and b < a',
            'c <= b <= a < 10' => 'c <= b and b <= a and a < 10',
            'a between b and c' => 'a >= b and a <= c',
            'a between b and c or b > 3' => '(a between b and c) or b > 3',
            'a between b and c and b > 3' => '(a between b and c) and b > 3',
            'a not between b and c' => 'not (a between b and c)',
            'a between c - 1 and b * 2' => 'a >= c - 1 and a <= b * 2',
            "g in ('x', 'y')" => "g = 'x' or g = 'y'",
            "g not in ('x')" => "not g = 'x'",
            "g IN ('x') AND NOT h = 'x'" => "g = 'x' and h <> 'x'",
            'a in (b, c, 0)' => 'a = b or a = c or a = 0',
            'a + 1 in (4; 1)' => '(a + 1) = 4 or (a + 1) = 1',
            'g = h' => 'h = g',
            'missing(a)' => 'not not missing(a)',
            'missing(a) or a > 0' => 'missing(a) OR a > 0',
        ];
        foreach ($pairs as $condition => $other) {
            yield "{$condition} is {$other}" => [$condition, $other];
        }
    }

    #[DataProvider('sameConditions')]
    public function test_both_leave_the_same_rows(string $condition, string $other): void
    {
        $rows = new ListedRows(self::COLUMNS);
        $taken = Formula::of($condition, $rows->names());
        self::assertSame(Kind::Truth, $taken->kind());
        self::assertSame(Formula::of($other, $rows->names())->truths($rows), $taken->truths($rows));
    }

    /** @return iterable<string, array{string, int}> and the first character that the error is about */
    public static function refused(): iterable
    {
        yield 'two signs that are no sign' => ['a * / b', 4];
        yield 'two numbers without a sign' => ['a 2', 2];
        yield 'an empty bracket' => ['a + ()', 5];
        yield 'brackets of nothing' => ['max()', 0];
        yield 'a comma outside of brackets' => ['a, b', 1];
        yield 'a list that does not begin' => ['a in b', 5];
        yield 'a list of nothing' => ['a in ()', 6];
        yield 'a list of texts for a number' => ["a in ('x')", 6];
        yield 'a list that is not closed' => ['a in (1, 2', 5];
        yield 'between without its second end' => ['a between 1', 11];
        yield 'between without and' => ['a between 1, 2', 11];
        yield 'between for texts and numbers' => ['g between 1 and 2', 10];
        yield 'not without anything' => ['not', 3];
        yield 'not of a number' => ['not a', 4];
        yield 'and of numbers' => ['a and b', 0];
        yield 'a comparison of conditions' => ['(a > b) > c', 10];
        yield 'a sum of conditions' => ['a + (b > c)', 7];
        yield 'a text that is added' => ["'x' + a", 0];
        yield 'a function without brackets' => ['sqrt + 1', 0];
        yield 'too many parts' => ['sqrt(a, b)', 0];
        yield 'too few parts' => ['round()', 0];
        yield 'a number out of range' => ['a + 1e400', 4];
        yield 'two points' => ['1.2.3', 3];
        yield 'a bracket that was never opened' => ['a)', 1];
        yield 'a bracket that is never closed' => ['(a', 0];
        yield 'a sign at the end' => ['a -', 3];
    }

    #[DataProvider('refused')]
    public function test_what_cannot_be_read_is_refused_at_its_place(string $formula, int $at): void
    {
        try {
            Formula::of($formula, (new ListedRows(self::COLUMNS))->names());
        } catch (FormulaError $error) {
            self::assertSame($at, $error->at, $error->getMessage());
            self::assertMatchesRegularExpression('/[.]$/', $error->getMessage());

            return;
        }
        self::fail("{$formula} was read.");
    }

    public function test_names_are_found_however_often_they_occur_and_words_are_none(): void
    {
        $rows = new ListedRows(self::COLUMNS);
        self::assertSame(['a', 'b'], Formula::of('a + b * a', $rows->names())->names);
        self::assertSame([], Formula::of('1 + 2', $rows->names())->names);
        self::assertSame(['"not"', 'kg', '"a b"', '"1st"', '"a""b"'], array_map(Formula::name(...), ['not', 'kg', 'a b', '1st', 'a"b']));
    }
}
