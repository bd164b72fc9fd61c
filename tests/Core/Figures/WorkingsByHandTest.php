<?php

declare(strict_types=1);

namespace Tests\Core\Figures;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\NormalityFigure;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\Numbers;

/** What a working says, word for word, for values whose figures can be done on paper; and figures of every small set of values. */
final class WorkingsByHandTest extends TestCase
{
    private const VALUES = ['2', '4', '4', '4', '5', '5', '7', '9'];

    /** Those that show where their cuts lie among the values in order. */
    private const ABOUT_ORDER = [
        'trimmed_mean_5', 'mad', 'min', 'q1', 'median', 'q3', 'max', 'range', 'iqr', 'lower_fence', 'upper_fence', 'outliers_count',
        'within_1', 'within_2', 'within_3',
    ];

    /** @return iterable<string, array{string, list<string>}> */
    public static function workings(): iterable
    {
        yield 'count' => ['n', ['8 rows have a value']];
        yield 'missing' => ['missing', ['10 − 8 = 2']];
        yield 'mean' => ['mean', ['x̄ = {2 + 3·4 + 2·5 + 7 + 9}/{8}', 'x̄ = {40}/{8} = 5']];
        yield 'trimmed mean' => ['trimmed_mean_5', ['k = {8}/{20} = 0.4', '{35.6}/{7.2} = 4.944444444444445…']];
        yield 'harmonic mean' => ['harmonic_mean', ['Σ(1/x) = 1/2 + 3·1/4 + 2·1/5 + 1/7 + 1/9', '{8}/{Σ(1/x)} = 4.201750729470613']];
        yield 'mode' => ['modes', ['4: 3 times']];
        yield 'count of the mode' => ['modes_frequency', ['4: 3 times']];
        yield 'mean absolute deviation' => ['mean_absolute_deviation', [
            'x̄ = {40}/{8} = 5',
            'Σ|x − x̄| = |2 − 5| + 3·|4 − 5| + 2·|5 − 5| + |7 − 5| + |9 − 5| = 12',
            '{12}/{8} = 1.5',
        ]];
        yield 'median absolute deviation' => ['mad', [
            'All values: ranks 1 to 8; the two in the middle are ranks 4 and 5',
            '{4 + 5}/{2} = 4.5',
            'x̃ = 4.5',
            'MAD = median of the distances from it = 0.5',
        ]];
        yield 'minimum' => ['min', ['2']];
        yield 'maximum' => ['max', ['9']];
        yield 'range' => ['range', ['9 − 2 = 7']];
        yield 'interquartile range' => ['iqr', [
            'The lower half: ranks 1 to 4; the two in the middle are ranks 2 and 3',
            '{4 + 4}/{2} = 4',
            'The upper half: ranks 5 to 8; the two in the middle are ranks 6 and 7',
            '{5 + 7}/{2} = 6',
            'IQR = 6 − 4 = 2',
        ]];
        yield 'lower fence' => ['lower_fence', ['4 − 1.5·2 = 1']];
        yield 'upper fence' => ['upper_fence', ['6 + 1.5·2 = 9']];
        yield 'mean to median' => ['mean_to_median', ['x̄ = {40}/{8} = 5', '{5}/{4.5} = 1.1111111111111112…']];
        yield 'error of skewness' => ['se_skewness', ['√{{6·8·(8 − 1)}/{(8 − 2)·(8 + 1)·(8 + 3)}} = 0.7521014330903549']];
        yield 'sum' => ['sum', ['Σx = 2 + 3·4 + 2·5 + 7 + 9 = 40']];
        yield 'sum of squares' => ['sum_of_squares', ['Σx² = 2² + 3·4² + 2·5² + 7² + 9² = 232']];
    }

    /** @param list<string> $lines */
    #[DataProvider('workings')]
    public function test_a_working_says_each_step(string $key, array $lines): void
    {
        self::assertSame($lines, self::statistic($key)->steps(new Observations(Numbers::ofTexts(self::VALUES), 2), new Basis())->lines);
    }

    public function test_the_figures_that_are_about_the_order_of_the_values_show_it(): void
    {
        $shown = array_filter(Catalogue::all(), static fn(Statistic $statistic): bool => $statistic->steps(new Observations(Numbers::ofTexts(self::VALUES), 2), new Basis())->showsOrder);

        self::assertSame(self::ABOUT_ORDER, array_values(array_map(static fn(Statistic $statistic): string => $statistic->key(), $shown)));
    }

    public function test_outliers_are_counted_on_either_side_in_the_words_of_the_counts(): void
    {
        // Quartiles 10 and 12 by ranks 3 and 8 of 10; fences 7 and 15.
        $values = ['0', '6', '10', '10', '11', '11', '12', '12', '16', '40'];
        $lines = static fn(Observations $observations): array => self::statistic('outliers_count')->steps($observations, new Basis())->lines;

        self::assertSame(['2 below 7, 2 above 15: 4'], $lines(new Observations(Numbers::ofTexts($values), 0)));
        self::assertSame(['0 below −0.5, 1 above 19.5: 1'], $lines(new Observations(Numbers::of('5', '7', '8', '9', '12', '31'), 0)));
        self::assertSame(['0.5 below 7, 1.5 above 7: 2'], $lines(new Observations(ValueCounts::ofCountedIntegers([1 => 5, 7 => 80, 9 => 15], 0), 0, 1)));
        self::assertSame(2.0, self::statistic('outliers_count')->of(new Observations(ValueCounts::ofCountedIntegers([1 => 5, 7 => 80, 9 => 15], 0), 0, 1), new Basis())->value);
    }

    public function test_values_that_occur_equally_often_are_named_and_the_first_twenty_of_many(): void
    {
        $lines = static fn(Observations $observations): array => self::statistic('modes')->steps($observations, new Basis())->lines;
        $many = [...range(1, 21), ...range(1, 21), 99];

        self::assertSame(['1, 3: 2 times each'], $lines(new Observations(Numbers::of('1', '1', '2', '3', '3'), 0)));
        self::assertSame([implode(', ', range(1, 20)) . ': 2 times each'], $lines(new Observations(Numbers::ofTexts(array_map(strval(...), $many)), 0)));
        self::assertSame(['4: 2.5 times'], $lines(new Observations(ValueCounts::ofCountedIntegers([2 => 10, 4 => 25], 0), 0, 1)));
    }

    /** A probability, Shapiro–Wilk's W and Lilliefors' D lie from 0 to 1; Anderson–Darling's A² does not. */
    public function test_which_figures_of_a_test_lie_within_one(): void
    {
        foreach (Catalogue::all() as $statistic) {
            if ($statistic instanceof NormalityFigure) {
                self::assertSame($statistic->key() !== 'anderson_darling_a2', $statistic->liesWithinOne(), $statistic->key());
            }
        }
    }

    public function test_a_quantile_is_of_the_data_where_a_row_has_it(): void
    {
        $is = static fn(string $key, string ...$texts): bool => self::statistic($key)->of(new Observations(Numbers::ofTexts(array_values($texts)), 0), new Basis())->isOfTheData;

        self::assertTrue($is('median', '1', '2', '3'));
        self::assertTrue($is('median', '1', '2', '2', '3'));
        self::assertTrue($is('median', '1.5', '2', '2.50', '3', '4'));
        // 2 lies between 1 and 3, and in the grid of their decimals, but no row has it.
        self::assertFalse($is('median', '1', '3'));
        self::assertFalse($is('median', '1', '1', '3', '3'));
        self::assertFalse($is('median', '1', '2'));
        self::assertTrue($is('q1', '1', '2', '3', '4', '5', '6', '7'));
        self::assertFalse($is('q1', '1', '2', '3', '4', '5'));
        self::assertFalse($is('iqr', '1', '2', '3', '4', '5', '6', '7'));
        self::assertFalse($is('mean', '1', '2', '3'));
    }

    /** Every set of up to five values out of 0, 1, 2, 5 and 9, in all some four hundred: the distances written out, put in order and cut. */
    public function test_deviations_of_every_small_set(): void
    {
        foreach (self::sets([0, 1, 2, 5, 9], 5) as $set) {
            $n = count($set);
            $observations = new Observations(ValueCounts::ofUnorderedIntegers($set, 0), 0);
            $middle = static fn(array $ascending): float => ($ascending[intdiv($n - 1, 2)] + $ascending[intdiv($n, 2)]) / 2;
            $median = $middle($set);
            $distances = array_map(static fn(int $value): float => abs($value - $median), $set);
            sort($distances);
            $mean = array_sum($set) / $n;

            self::assertSame($middle($distances), self::statistic('mad')->of($observations, new Basis())->value, 'MAD of ' . implode(' ', $set));
            self::assertEqualsWithDelta(
                array_sum(array_map(static fn(int $value): float => abs($value - $mean), $set)) / $n,
                self::statistic('mean_absolute_deviation')->of($observations, new Basis())->value,
                1e-14,
                'mean deviation of ' . implode(' ', $set),
            );
        }
    }

    public function test_what_a_figure_of_quartiles_depends_on_is_said(): void
    {
        $observations = new Observations(Numbers::of('1', '2', '4', '8', '16'), 0);
        foreach (['iqr' => [6.0, 10.5], 'lower_fence' => [-7.0, -14.25], 'upper_fence' => [17.0, 27.75]] as $key => [$seven, $six]) {
            self::assertSame($seven, self::statistic($key)->of($observations, new Basis(quartileRule: QuartileRule::Hf7))->value, $key);
            self::assertSame($six, self::statistic($key)->of($observations, new Basis(quartileRule: QuartileRule::Hf6))->value, $key);
            self::assertNotSame([], self::statistic($key)->dependsOn(), $key);
        }
    }

    /**
     * @param  list<int>                     $from ascending
     * @return iterable<non-empty-list<int>> ascending, with repeats
     */
    private static function sets(array $from, int $most): iterable
    {
        foreach ($from as $i => $value) {
            yield [$value];
            if ($most > 1) {
                foreach (self::sets(array_slice($from, $i), $most - 1) as $rest) {
                    yield [$value, ...$rest];
                }
            }
        }
    }

    private static function statistic(string $key): Statistic
    {
        return Catalogue::chosen([$key])[0];
    }
}
