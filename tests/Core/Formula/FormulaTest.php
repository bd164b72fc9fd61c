<?php

declare(strict_types=1);

namespace Tests\Core\Formula;

use Brick\Math\BigDecimal;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Formula\Formula;
use RowTally\Core\Formula\FormulaError;
use Tests\Core\Support\ListedRows;

final class FormulaTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string}> formula and its cell, worked out by hand */
    public static function arithmetic(): iterable
    {
        yield 'products before sums' => ['2 + 3 * 4', '14'];
        yield 'brackets first' => ['(2 + 3) * 4', '20'];
        yield 'from left to right' => ['10 - 4 - 3', '3'];
        yield 'a sign is weaker than a power' => ['-2 ^ 2', '-4'];
        yield 'powers from the right' => ['2 ^ 3 ^ 2', '512'];
        yield 'a power may have a sign' => ['2 ^ -1', '0.5'];
        yield 'typographic signs' => ['6 × 2 ÷ 4 − 1', '2'];
        yield 'tenths stay tenths' => ['0.1 + 0.2', '0.3'];
        yield 'products of decimals are exact' => ['1.1 * 1.1', '1.21'];
        yield 'a difference keeps its decimals' => ['31.4 - 28.3', '3.1'];
        yield 'mod of decimals' => ['7 mod 2.5', '2.0'];
        yield 'mod takes the sign of the divisor' => ['-7 mod 3', '2'];
        yield 'rounding half away from zero, as a person sees it' => ['round(2.675, 2)', '2.68'];
        yield 'rounding a negative half' => ['round(-2.5)', '-3'];
        yield 'rounding to tens' => ['round(1250, -2)', '1300'];
        yield 'no minus zero' => ['round(-0.2)', '0'];
        yield 'functions of a row' => ['max(3, 9, 4) - min(3, 9, 4) + sum(1, 2, 3) * mean(1, 2)', '15'];
        yield 'semicolons set apart too' => ['max(3; 9)', '9'];
        yield 'logarithms' => ['ln(exp(1)) + log10(1000) + sqrt(16) + abs(-2)', '10'];
        yield 'a condition' => ['if(3 > 2 and not 1 > 2, 10, 20)', '10'];
        yield 'comparisons chain' => ['if(1 < 2 < 3, 1, 0) + if(1 < 2 < 2, 10, 0)', '1'];
        yield 'texts are compared letter by letter' => ["if('a' = 'A', 1, 2)", '2'];
        yield 'a quote in a text' => ["if('keeper''s' <> 'keepers', 1, 2)", '1'];
        yield 'a mean of decimals is a decimal' => ['mean(21.05, 21.07)', '21.06'];
        yield 'a mean that does not end is the nearest double' => ['mean(0.1, 0.2, 0.3)', '0.2'];
        yield 'a mean in a longer sum' => ['3 * mean(21.05, 21.07)', '63.18'];
        yield 'a remainder of decimals' => ['0.3 mod 0.1', '0.0'];
        yield 'a remainder below a negative divisor' => ['0.7 mod -0.4', '-0.1'];
        yield 'a quotient of decimals' => ['0.3 / 0.1', '3'];
        yield 'a quotient by a round number ends' => ['4.767 / 1000 + 0.1', '0.104767'];
        yield 'a quotient that never ends' => ['1 / 3', '0.3333333333333333'];
        yield 'a whole power of a decimal' => ['1.1 ^ 2', '1.21'];
        yield 'a sum of more digits than a double has' => ['100000000000000001 + 0.1', '100000000000000001.1'];
        yield 'a product of more digits than a double has' => ['1234567890.12 * 100000.001', '123456790246567.89012'];
        yield 'rounding more digits than a double has' => ['round(123456789012345.678 + 0.001, 2)', '123456789012345.68'];
        yield 'the largest of many digits' => ['max(100000000000000001, 100000000000000002)', '100000000000000002'];
        yield 'a mean of many digits' => ['mean(100000000000000001, 100000000000000002)', '100000000000000001.5'];
        yield 'two signs' => ['-(-2)', '2'];
        yield 'two signs side by side' => ['--2', '2'];
        yield 'three signs and a decimal' => ['---2.50', '-2.50'];
        yield 'a sign before a large power of ten' => ['-(-1e300)', '1.0e+300'];
        yield 'words in capitals' => ['if(1 < 2 AND NOT 2 < 1 OR 3 < 1, 7 MOD 4, 0)', '3'];
        yield 'in a list' => ["if('b' in ('a', 'b'), 1, 0) + if(4 in (1, 2, 3), 10, 0) + if(4 NOT IN (1, 2), 100, 0)", '101'];
        yield 'in a list of one' => ['if(2 in (2), 1, 0)', '1'];
        yield 'between two ends, both included' => ['if(2 between 2 and 3 and 3 between 2 and 3, 1, 0) + if(4 between 2 and 3, 10, 0) + if(4 not between 2 and 3, 100, 0)', '101'];
        yield 'many digits are compared as they stand' => ['if(100000000000000002 > 100000000000000001, 1, 0)', '1'];
        yield 'a computed tie is a tie' => ['if(0.1 + 0.2 = 0.3, 1, 0)', '1'];
    }

    #[DataProvider('arithmetic')]
    public function test_arithmetic_is_that_of_mathematics(string $formula, string $cell): void
    {
        self::assertSame([$cell], $this->cells($formula, ['x' => [1.0]]));
    }

    public function test_conditions_on_many_digits_are_exact(): void
    {
        $columns = ['x' => ['100000000000000000', '100000000000000001', '100000000000000002', null]];

        self::assertSame(['no', 'no', 'yes', ''], $this->cells('x > 100000000000000001', $columns, ['x' => 0]));
        self::assertSame(['no', 'yes', 'no', ''], $this->cells('x = 100000000000000001', $columns, ['x' => 0]));
        self::assertSame(['1', '2', '3', ''], $this->cells('rank(x)', $columns, ['x' => 0]));
        self::assertSame(['1', '2', '3', ''], $this->cells('rank(x + 1)', $columns, ['x' => 0]));
        self::assertSame(['-1', '0', '1', ''], $this->cells('z(x)', $columns, ['x' => 0]));
    }

    public function test_z_scores_do_not_cancel_on_a_large_offset(): void
    {
        self::assertSame(['-1.000000000', '0.000000000', '1.000000000'], $this->cells('round(z(x), 9)', ['x' => [1e12 + 0.1, 1e12 + 0.2, 1e12 + 0.3]], ['x' => 1]));
    }

    public function test_an_outlier_is_what_the_fences_of_the_basis_say(): void
    {
        $rows = new ListedRows(['x' => [1.0, 2.0, 3.0, 4.0, 5.0, 6.0, 12.0]], ['x' => 0]);
        $last = static fn(Basis $basis): string => Formula::of('outlier(x)', $rows->names(), $basis)->cells($rows)[6];

        // Halves 1 2 3 and 5 6 12: Q₁ = 2, Q₃ = 6, fences at 12 and 10.
        self::assertSame(['no', 'yes'], [$last(new Basis()), $last(new Basis(innerFence: '1'))]);
        // With the middle shared Q₁ = 2.5 and Q₃ = 5.5: the upper fence is 10.
        self::assertSame('yes', $last(new Basis(quartileRule: QuartileRule::HalvesIncluded)));
    }

    public function test_a_variable_may_be_called_as_a_word_is(): void
    {
        $columns = ['Not' => [1.0, 0.0], 'in' => [2.0, 3.0], 'AND' => [4.0, 5.0]];

        self::assertSame(['yes', 'no'], $this->cells('Not = 1 AND "in" in (in, 7) and "AND" between 4 and 5 and not (Not = 0)', $columns));
        self::assertSame(['"Not"', '"in"', '"BETWEEN"', 'inn'], array_map(Formula::name(...), ['Not', 'in', 'BETWEEN', 'inn']));
    }

    public function test_missing_in_is_missing_out(): void
    {
        $columns = ['a' => [1.0, null, 3.0], 'b' => [10.0, 20.0, null], 'g' => ['x', null, 'y']];

        self::assertSame(['11', '', ''], $this->cells('a + b', $columns, ['a' => 0, 'b' => 0]));
        self::assertSame(['10', '', ''], $this->cells('max(a, b)', $columns, ['a' => 0, 'b' => 0]));
        self::assertSame(['yes', '', 'no'], $this->cells('a < 2', $columns));
        self::assertSame(['no', 'yes', 'no'], $this->cells('missing(a)', $columns));
        self::assertSame(['1', '0', '3'], $this->cells('if(missing(a), 0, a)', $columns, ['a' => 0]));
        self::assertSame(['yes', '', 'no'], $this->cells("g = 'x'", $columns));
    }

    public function test_a_missing_condition_may_be_either(): void
    {
        $columns = ['t' => [1.0, 1.0, 1.0], 'm' => [null, null, null]];

        self::assertSame([''], array_unique($this->cells('t = 1 and m = 1', $columns)));
        self::assertSame(['no'], array_unique($this->cells('t = 2 and m = 1', $columns)));
        self::assertSame(['yes'], array_unique($this->cells('m = 1 or t = 1', $columns)));
        self::assertSame([''], array_unique($this->cells('m = 1 or t = 2', $columns)));
        self::assertSame([''], array_unique($this->cells('not m = 1', $columns)));
    }

    public function test_what_has_no_result_is_missing_and_says_why(): void
    {
        $rows = new ListedRows(['x' => [0.0, -4.0, 4.0]]);
        $of = static fn(string $text): array => Formula::of($text, $rows->names())->cells($rows);

        self::assertSame([['', '-0.25', '0.25'], ['0', '', '2'], ['', '', '1.3862943611198906']], [$of('1 / x'), $of('sqrt(x)'), $of('ln(x)')]);
        self::assertSame(['division by zero', 'the square root of a negative number', 'the logarithm of zero or less', 'the logarithm of zero or less'], $rows->reasons);
        self::assertSame(['1', '', ''], $of('if(x = 0, 1, 10 ^ 400)'));
    }

    public function test_functions_over_all_rows(): void
    {
        // 2, 4, 4, 4, 5, 5, 7, 9: mean 5, sample standard deviation sqrt(32/7); halves 4 and 6, so the fences are 1 and 9.
        $columns = ['x' => [2.0, 4.0, 4.0, 4.0, 5.0, 5.0, 7.0, 9.0, null]];

        self::assertSame(['1', '3', '3', '3', '5.5', '5.5', '7', '8', ''], $this->cells('rank(x)', $columns));
        self::assertSame(['-1.403', '-0.468', '-0.468', '-0.468', '0.000', '0.000', '0.935', '1.871', ''], $this->cells('round(z(x), 3)', $columns));
        self::assertSame(['no', 'no', 'no', 'no', 'no', 'no', 'no', 'no', ''], $this->cells('outlier(x)', $columns));
        // 1, 2, 3, 4, 5, 6, 100: halves 2 and 6, so the upper fence is 12.
        self::assertSame('yes', $this->cells('outlier(y)', ['y' => [1.0, 2.0, 3.0, 4.0, 5.0, 6.0, 100.0]])[6]);
        self::assertTrue(Formula::of('1 + z(x)', (new ListedRows($columns))->names())->needsAllRows);
    }

    public function test_classes_are_cut_on_the_decimals_as_typed(): void
    {
        self::assertSame(['[0, 0.1)', '[0.3, 0.4)', '[-0.1, 0)', ''], $this->cells('classes(x, 0, 0.1)', ['x' => [0.0, 0.3, -0.05, null]]));
        self::assertSame(['[20, 25)', '[25, 30)'], $this->cells('classes(x, 10, 5)', ['x' => [20.0, 25.0]]));
    }

    public function test_names_with_blanks_stand_in_double_quotes_and_are_renamed_in_place(): void
    {
        $columns = ['Honey yield' => [2.0], 'kg' => [3.0], 'a"b' => [4.0]];

        self::assertSame(['9'], $this->cells('"Honey yield" + kg + "a""b"', $columns));
        self::assertSame('"Yield, raw" * 2 + kg', Formula::renamed('"Honey yield" * 2 + kg', 'Honey yield', 'Yield, raw'));
        self::assertSame("weight > 1 and weight <> 'kg'", Formula::renamed("kg > 1 and kg <> 'kg'", 'kg', 'weight')) ;
        self::assertSame(['Honey yield', 'kg'], Formula::of('"Honey yield" / kg', (new ListedRows($columns))->names())->names);
    }

    /** @return iterable<string, array{string, string, int, int}> formula, what is said, where, how long */
    public static function mistakes(): iterable
    {
        yield 'ends too early' => ['kg +', 'The formula ends too early. Expected: a number, a variable or a function.', 4, 0];
        yield 'a name close to one' => ['kgg * 2', 'There is no variable “kgg”. Did you mean “kg”?', 0, 3];
        yield 'a text in double quotes' => ['g = "Brook End"', "There is no variable “Brook End”. A text stands in single quotes: 'Brook End'.", 4, 11];
        yield 'an unknown function' => ['squareroot(kg)', 'There is no function “squareroot”.', 0, 10];
        yield 'a function close to one' => ['sqr(kg)', 'There is no function “sqr”. Did you mean sqrt?', 0, 3];
        yield 'a missing bracket' => ['2 * (kg + 1', 'The bracket that opens here is not closed.', 4, 1];
        yield 'a bracket too many' => ['kg + 1)', '“)” cannot stand here. Expected: a sign such as + or >, or the end.', 6, 1];
        yield 'a decimal comma' => ['kg * 0,5', 'A comma sets apart what stands in brackets; decimals are written with a point, such as 0.5.', 6, 1];
        yield 'a text where a number must be' => ["kg + 'a'", 'This is a text. Expected: a number.', 5, 1];
        yield 'a number where a condition must be' => ['if(kg, 1, 2)', 'This is a number. Expected: a condition.', 3, 1];
        yield 'a number compared with a text' => ['kg = g', 'a number cannot be compared with a text.', 5, 1];
        yield 'too few parts' => ['if(kg > 1, 2)', 'if takes 3 parts.', 0, 2];
        yield 'a sign that means nothing' => ['kg § 2', '“§” means nothing in a formula.', 3, 1];
        yield 'a quote that is not closed' => ["g = 'x", 'The quote that opens here is not closed.', 4, 1];
        yield 'places are counted in letters' => ['"ümläut" + 1', 'There is no variable “ümläut”. A text stands in single quotes: \'ümläut\'.', 0, 8];
        yield 'a width that is no number written out' => ['classes(kg, 0, kg)', 'Start and width of classes must be a number written out.', 15, 1];
        yield 'nothing' => ['', 'The formula ends too early. Expected: a number, a variable or a function.', 0, 0];
    }

    #[DataProvider('mistakes')]
    public function test_a_mistake_is_pointed_at_with_what_would_do(string $formula, string $message, int $at, int $length): void
    {
        $rows = new ListedRows(['kg' => [1.0], 'g' => ['x']]);
        try {
            Formula::of($formula, $rows->names());
            self::fail('It was understood.');
        } catch (FormulaError $error) {
            self::assertSame([$message, $at, $length], [$error->getMessage(), $error->at, $error->length]);
        }
    }

    public function test_nesting_without_end_is_an_error_and_no_crash(): void
    {
        foreach (['(', '-', 'not ', '2^', 'if(x < '] as $piece) {
            try {
                Formula::of(str_repeat($piece, 1000) . '1', (new ListedRows(['x' => [1.0]]))->names());
                self::fail('It was understood.');
            } catch (FormulaError $error) {
                self::assertSame('The formula is nested too deeply.', $error->getMessage());
            }
        }
    }

    public function test_a_formula_too_long_to_be_worked_out_is_an_error_and_no_crash(): void
    {
        foreach (['1+', 'x < ', '(', '2^'] as $piece) {
            try {
                Formula::of(str_repeat($piece, 50_000) . '1', (new ListedRows(['x' => [1.0]]))->names());
                self::fail('It was understood.');
            } catch (FormulaError $error) {
                self::assertStringStartsWith('The formula is too long.', $error->getMessage());
            }
        }
        // 300 numbers with 299 signs between are 599 parts; 301 have one too many.
        self::assertSame(['300'], $this->cells(str_repeat('1 + ', 299) . '1', ['x' => [1.0]]));
        $this->expectExceptionMessage('The formula has 601 parts');
        $this->cells(str_repeat('1 + ', 300) . '1', ['x' => [1.0]]);
    }

    public function test_random_formulas_give_what_their_signs_say(): void
    {
        $this->limitTo(300)->forAll(Generators::choose(1, 1_000_000))->then(static function (int $seed): void {
            mt_srand($seed);
            $columns = ['a' => [], 'b' => [], 'long name' => []];
            for ($row = 0; $row < 4; ++$row) {
                foreach (array_keys($columns) as $name) {
                    $columns[$name][] = mt_rand(0, 5) === 0 ? null : (float) mt_rand(-9, 9);
                }
            }
            [$text, $of] = self::expression(4);
            $expected = array_map(static fn(int $row): ?float => $of(array_map(static fn(array $values): ?float => $values[$row], $columns)), range(0, 3));
            $rows = new ListedRows($columns);
            $found = array_map(static fn(string $cell): ?float => $cell === '' ? null : (float) $cell, Formula::of($text, $rows->names())->cells($rows));
            foreach ($expected as $row => $value) {
                if ($value === null) {
                    self::assertNull($found[$row], $text);
                } else {
                    self::assertEqualsWithDelta($value, $found[$row], 1e-9 * max(1.0, abs($value)), $text);
                }
            }
        });
    }

    public function test_any_text_is_a_formula_or_an_error_that_points_into_it(): void
    {
        $rows = new ListedRows(['kg' => [1.0, null], 'long name' => [2.0, 3.0], 'g' => ['x', 'y']]);
        $pieces = ['kg', '"long name"', 'g', "'x'", '(', ')', '+', '-', '*', '/', '^', 'mod', 'and', 'or', 'not', '<', '>=', '<>', '=', ',', ';', 'if', 'max', 'round', 'z', 'missing', '1', '2.5', '1e3', '.', '"', "'", ' ', 'ü', '×', '§', "\u{0}", '0,5'];
        $this->limitTo(2000)->forAll(Generators::choose(1, 1_000_000))->then(static function (int $seed) use ($rows, $pieces): void {
            mt_srand($seed);
            $text = '';
            for ($i = mt_rand(1, 12); $i > 0; --$i) {
                $text .= $pieces[array_rand($pieces)] . (mt_rand(0, 2) === 0 ? ' ' : '');
            }
            try {
                self::assertCount(2, Formula::of($text, $rows->names())->cells($rows), $text);
            } catch (FormulaError $error) {
                self::assertGreaterThanOrEqual(0, $error->at, $text);
                self::assertLessThanOrEqual(mb_strlen($text), $error->at + $error->length, $text);
                self::assertNotSame('', $error->getMessage());
            }
        });
    }

    public function test_sums_of_decimals_are_those_of_whole_numbers(): void
    {
        $this->limitTo(200)->forAll(Generators::choose(-10_000_000, 10_000_000), Generators::choose(-10_000_000, 10_000_000), Generators::choose(0, 4))
            ->then(function (int $a, int $b, int $decimals): void {
                $x = $a / 10 ** $decimals;
                $y = $b / 10 ** $decimals;
                $sum = (string) BigDecimal::ofUnscaledValue($a + $b, $decimals);
                self::assertSame([$sum], $this->cells('a + b', ['a' => [$x], 'b' => [$y]], ['a' => $decimals, 'b' => $decimals]));
            });
    }

    /**
     * @param array<string, list<float|string|null>> $columns
     * @param array<string, int>                     $decimals
     *
     * @return list<string>
     */
    private function cells(string $formula, array $columns, array $decimals = []): array
    {
        $rows = new ListedRows($columns, $decimals);

        return Formula::of($formula, $rows->names())->cells($rows);
    }

    /** @return array{string, callable(array<string, float|null>): ?float} a random expression, and what it is worth in a row */
    private static function expression(int $depth): array
    {
        if ($depth === 0 || mt_rand(0, 4) === 0) {
            $name = ['a', 'b', 'long name'][mt_rand(0, 2)];
            $number = mt_rand(0, 90) / 8;

            return mt_rand(0, 1) === 0
                ? [$name === 'long name' ? '"long name"' : $name, static fn(array $row): ?float => $row[$name]]
                : [(string) $number, static fn(array $row): float => $number];
        }
        [$left, $leftOf] = self::expression($depth - 1);
        [$right, $rightOf] = self::expression($depth - 1);
        $sign = ['+', '-', '*', '/', 'max', 'if'][mt_rand(0, 5)];
        $work = static fn(float $x, float $y): ?float => match ($sign) {
            '+' => $x + $y,
            '-' => $x - $y,
            '*' => $x * $y,
            '/' => $y === 0.0 ? null : $x / $y,
            'max' => max($x, $y),
            default => $x < $y ? $x : $y - 1,
        };
        $text = match ($sign) {
            'max' => "max({$left}, {$right})",
            'if' => "if(({$left}) < ({$right}), {$left}, {$right} - 1)",
            default => "({$left}) {$sign} ({$right})",
        };

        return [$text, static function (array $row) use ($leftOf, $rightOf, $work): ?float {
            $x = $leftOf($row);
            $y = $rightOf($row);

            return $x === null || $y === null ? null : $work($x, $y);
        }];
    }
}
