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
use RowTally\Core\Values\Observations;
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
                self::assertTrue($stated->isRounded($match->value), "{$text}: " . json_encode($match->value));
                $figure = $match->statistic->of($match->observations, $match->basis)->number();
                self::assertEquals($match->isTurned ? -$figure : $figure, $match->value);
            }
        }
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
