<?php

declare(strict_types=1);

namespace Tests\Core\Match;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Match\Explanation;
use RowTally\Core\Match\FindFigure;
use RowTally\Core\Match\Stated;
use RowTally\Core\Observations\Observations;
use Tests\Core\Support\Numbers;

/** Each slip that a person can make, with a figure worked out by hand after it. */
final class FindFigureTest extends TestCase
{
    /** @return iterable<string, array{list<string>, int, string, string, list<string>}> values, missing, what was stated, figure, what is unlike the basis */
    public static function slips(): iterable
    {
        $five = ['2', '4', '4', '5', '10'];
        yield 'as on screen' => [$five, 0, '5.00', 'mean', []];
        yield 'the other divisor' => [$five, 0, '2.68', 'sd', ['taken as a population']];
        yield 'another quartile rule' => [['1', '2', '4', '8', '16', '33'], 0, '2.50', 'q1', ['quartiles by definition 7, position (n − 1)p + 1']];
        yield 'missing kept as 0' => [$five, 3, '3.125', 'mean', ['missing values kept as 0']];
        yield 'the sign turned' => [$five, 0, '-5.00', 'mean', ['the sign turned']];
        yield 'inputs rounded first' => [['1.4', '2.6', '7.7'], 0, '4.00', 'mean', ['values rounded to whole numbers first']];
        yield 'one row left out of the mean' => [$five, 0, '3.75', 'mean', ['one row left out, with 10']];
        yield 'one row left out of the spread' => [$five, 0, '1.2583', 'sd', ['one row left out, with 10']];
        yield 'a percent taken for a fraction' => [['10', '20', '30', '40', '50', '60', '70', '80', '90', '100', '1000'], 0, '10.00', 'min', []];
        // s = 3, SE = 3/√5 = 1.34164; t(4) at 90 %: 2.13185, at 99 %: 4.60409. m₄ = 141.6, m₂ = 7.2. MAD = 1.
        yield 'a limit at another level' => [$five, 0, '2.140', 'ci_mean_low', ['at 90 %']];
        yield 'the upper limit at 99 %' => [$five, 0, '11.177', 'ci_mean_high', ['at 99 %']];
        yield 'an interval by the normal distribution' => [$five, 0, '2.370', 'ci_mean_low', ['with 1.96 in place of t']];
        yield 'kurtosis without the −3' => [$five, 0, '2.731', 'kurtosis', ['without the −3, so that a normal distribution has 3', 'taken as a population']];
        yield 'a scaled MAD' => [$five, 0, '1.4826', 'mad', ['times 1.4826']];
        yield 'a standard error from σ' => [$five, 0, '1.200', 'se_mean', ['from the standard deviation of a population']];
        yield 'a coefficient of variation without its sign' => [$five, 0, '60.00', 'cv', ['in percent']];
        yield 'a population coefficient of variation without its sign' => [$five, 0, '53.67', 'cv', ['in percent', 'taken as a population']];
        yield 'a fence at another multiple' => [['1', '2', '3', '4', '5', '6', '7'], 0, '18.00', 'upper_fence', ['fences at 3 IQR']];
        yield 'a share in percent' => [$five, 0, '60.0%', 'cv', []];
    }

    /**
     * @param list<string> $values
     * @param list<string> $differences
     */
    #[DataProvider('slips')]
    public function test_the_way_a_figure_came_about_is_found(array $values, int $missing, string $stated, string $figure, array $differences): void
    {
        $found = FindFigure::of(Stated::of($stated), new Observations(Numbers::ofTexts($values), $missing), new Basis());

        self::assertContains([$figure, $differences], self::told($found['matches']), json_encode(self::told($found['matches']), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
    }

    public function test_the_plainest_explanation_comes_first_and_none_twice(): void
    {
        $matches = FindFigure::of(Stated::of('5'), new Observations(Numbers::of('2', '4', '4', '5', '10'), 0), new Basis())['matches'];
        $costs = array_map(static fn(Explanation $explanation): int => $explanation->cost, $matches);
        $sorted = $costs;
        sort($sorted);

        self::assertSame($sorted, $costs);
        self::assertSame([], $matches[0]->differences);
        self::assertSame(self::told($matches), array_values(array_unique(self::told($matches), SORT_REGULAR)));
        self::assertLessThanOrEqual(FindFigure::MOST, count($matches));
    }

    public function test_what_is_said_to_match_rounds_to_what_was_stated(): void
    {
        $observations = new Observations(Numbers::of('1.25', '3.5', '3.75', '8', '13.5', '21'), 2);
        foreach (['3.8', '7.05', '0.9', '8.5', '12', '4'] as $text) {
            $stated = Stated::of($text);
            foreach (FindFigure::of($stated, $observations, new Basis(quartileRule: QuartileRule::Hf8))['matches'] as $match) {
                self::assertNotSame('', $match->statistic->steps($match->observations, $match->basis)->definition);
                self::assertTrue($stated->isRounded($match->value), "{$text}: " . json_encode($match->value));
                $figure = $match->statistic->of($match->observations, $match->basis)->number();
                self::assertEquals($match->isTurned ? -$figure : $figure, $match->value);
            }
        }
    }

    public function test_a_figure_that_can_be_read_in_two_ways_is_tried_both_ways(): void
    {
        $small = FindFigure::ofText('1,234', new Observations(Numbers::of('1.234', '1.234'), 0), new Basis());
        $large = FindFigure::ofText('1,234', new Observations(Numbers::of('1234', '1234'), 0), new Basis());

        self::assertSame('Read as 1.234 and as 1234: both were tried.', $small['read']);
        self::assertSame([['mean', []], ['mean', []]], [self::told($small['matches'])[0], self::told($large['matches'])[0]]);
        self::assertNull(FindFigure::ofText('5.00', new Observations(Numbers::of('5'), 0), new Basis())['read']);
    }

    /** @return iterable<string, array{string, list<string>, string|null}> text, readings, how it is said */
    public static function writings(): iterable
    {
        yield 'a decimal comma' => ['2,68', ['2.68'], 'Read as 2.68.'];
        yield 'a comma and three digits' => ['-12,345', ['-12.345', '-12345'], 'Read as −12.345 and as −12345: both were tried.'];
        yield 'nothing before the comma' => ['0,125', ['0.125'], 'Read as 0.125.'];
        yield 'thousands and decimals' => ['1,234.5', ['1234.5'], 'Read as 1234.5.'];
        yield 'thousands and a decimal comma' => ['1.234,5', ['1234.5'], 'Read as 1234.5.'];
        yield 'two marks' => ['1,234,567', ['1234567'], 'Read as 1234567.'];
        yield 'two points' => ['1.234.567', ['1234567'], 'Read as 1234567.'];
        yield 'blanks between thousands' => ['12 345.6', ['12345.6'], null];
        yield 'apostrophes between thousands' => ["12'345.6", ['12345.6'], 'Read as 12345.6.'];
        yield 'a leading point' => ['.5', ['0.5'], null];
        yield 'percent' => ['12,5 %', ['12.5'], 'Read as 12.5 %.'];
    }

    /** @param list<string> $readings */
    #[DataProvider('writings')]
    public function test_a_stated_figure_is_read_as_it_was_written(string $text, array $readings, ?string $said): void
    {
        $found = Stated::readings($text);

        self::assertSame([$readings, $said], [array_map(static fn(Stated $stated): string => (string) $stated->value, $found), Stated::inWords($text, $found)]);
    }

    public function test_where_nothing_matches_the_nearest_are_told_each_figure_once(): void
    {
        $found = FindFigure::of(Stated::of('77.123'), new Observations(Numbers::of('2', '4', '4', '5', '10'), 0), new Basis());
        $keys = array_map(static fn(Explanation $explanation): string => $explanation->statistic->key(), $found['nearest']);

        self::assertSame([[], 5], [$found['matches'], count($keys)]);
        self::assertSame($keys, array_values(array_unique($keys)));
    }

    public function test_no_values_match_nothing(): void
    {
        self::assertSame(['matches' => [], 'nearest' => []], FindFigure::of(Stated::of('1'), new Observations(Numbers::of(''), 1), new Basis()));
    }

    public function test_typed_decimals_say_how_precisely_a_figure_is_known(): void
    {
        self::assertTrue(Stated::of('2.7')->isRounded(2.65));
        self::assertFalse(Stated::of('2.70')->isRounded(2.65));
        self::assertTrue(Stated::of('2,68')->isRounded(2.675), 'half away from zero, as a person rounds');
        self::assertTrue(Stated::of("\u{2212}1.5")->isRounded(-1.45));
        self::assertTrue(Stated::of('12.5 %')->isRounded(0.1249));
        $this->expectException(NotUnderstood::class);
        Stated::of('1.2.3');
    }

    /**
     * @param list<Explanation> $explanations
     *
     * @return list<array{string, list<string>}>
     */
    private static function told(array $explanations): array
    {
        return array_map(static fn(Explanation $explanation): array => [$explanation->statistic->key(), $explanation->differences], $explanations);
    }
}
