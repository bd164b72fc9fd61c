<?php

declare(strict_types=1);

namespace Tests\Core\Figures;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;
use Tests\Core\Support\Numbers;

/**
 * Each figure of eight values that can be worked out on paper, and what it says where it cannot be: 2, 4, 4, 4, 5, 5, 7, 9 have the
 * sum 40, the mean 5, squares of deviations that add up to 32, cubes to 42 and fourth powers to 356.
 */
final class EveryFigureTest extends TestCase
{
    private const VALUES = ['2', '4', '4', '4', '5', '5', '7', '9'];

    /** @return iterable<string, array{string, Basis, float|list<float>}> */
    public static function figures(): iterable
    {
        $sample = new Basis();
        $population = new Basis(takenAs: SampleOrPopulation::Population);
        $s = sqrt(32 / 7);
        yield 'n' => ['n', $sample, 8.0];
        yield 'missing' => ['missing', $sample, 2.0];
        yield 'sum' => ['sum', $sample, 40.0];
        yield 'sum of squares' => ['sum_of_squares', $sample, 232.0];
        yield 'mean' => ['mean', $sample, 5.0];
        yield 'variance of a sample' => ['variance', $sample, 32 / 7];
        yield 'variance of a population' => ['variance', $population, 4.0];
        yield 'standard deviation of a sample' => ['sd', $sample, $s];
        yield 'standard deviation of a population' => ['sd', $population, 2.0];
        yield 'coefficient of variation of a sample' => ['cv', $sample, $s / 5];
        yield 'coefficient of variation of a population' => ['cv', $population, 0.4];
        yield 'standard error' => ['se_mean', $sample, $s / sqrt(8)];
        // t of 7 degrees of freedom by the closed form for odd ones: 2.36462425159 for 95 % and 1.89457860509 for 90 %.
        yield 'interval, lower limit' => ['ci_mean_low', $sample, 5 - 2.3646242515928 * $s / sqrt(8)];
        yield 'interval, upper limit' => ['ci_mean_high', $sample, 5 + 2.3646242515928 * $s / sqrt(8)];
        yield 'interval of 90 %' => ['ci_mean_high', new Basis(level: '0.9'), 5 + 1.8945786050900 * $s / sqrt(8)];
        yield 'geometric mean' => ['geometric_mean', $sample, (2 * 4 * 4 * 4 * 5 * 5 * 7 * 9) ** (1 / 8)];
        yield 'harmonic mean' => ['harmonic_mean', $sample, 8 / (1 / 2 + 3 / 4 + 2 / 5 + 1 / 7 + 1 / 9)];
        // 0.4 values at each end: 40 − 0.4 · (2 + 9) over 7.2.
        yield 'trimmed mean' => ['trimmed_mean_5', $sample, 35.6 / 7.2];
        yield 'modes' => ['modes', $sample, [4.0]];
        yield 'how often the mode occurs' => ['modes_frequency', $sample, 3.0];
        yield 'mean absolute deviation' => ['mean_absolute_deviation', $sample, 1.5];
        // Distances from 4.5: 2.5, 0.5 five times, 2.5, 4.5.
        yield 'median absolute deviation' => ['mad', $sample, 0.5];
        yield 'minimum' => ['min', $sample, 2.0];
        yield 'maximum' => ['max', $sample, 9.0];
        yield 'range' => ['range', $sample, 7.0];
        yield 'median' => ['median', $sample, 4.5];
        yield 'lower quartile by halves' => ['q1', $sample, 4.0];
        yield 'upper quartile by halves' => ['q3', $sample, 6.0];
        yield 'upper quartile by definition 7' => ['q3', new Basis(quartileRule: QuartileRule::Hf7), 5.5];
        yield 'interquartile range' => ['iqr', $sample, 2.0];
        yield 'lower fence' => ['lower_fence', $sample, 1.0];
        yield 'upper fence' => ['upper_fence', $sample, 9.0];
        yield 'upper fence further out' => ['upper_fence', new Basis(innerFence: '3'), 12.0];
        yield 'outliers: none on the fence' => ['outliers_count', $sample, 0.0];
        yield 'outliers of nearer fences' => ['outliers_count', new Basis(innerFence: '0.5'), 2.0];
        yield 'mean to median' => ['mean_to_median', $sample, 5 / 4.5];
        yield 'skewness of a population' => ['skewness', $population, (42 / 8) / 8];
        yield 'skewness of a sample' => ['skewness', $sample, (42 / 8) / 8 * sqrt(56) / 6];
        yield 'kurtosis of a population' => ['kurtosis', $population, (356 / 8) / 16 - 3];
        yield 'kurtosis of a sample' => ['kurtosis', $sample, 7 / 30 * (9 * ((356 / 8) / 16 - 3) + 6)];
        yield 'error of skewness' => ['se_skewness', $sample, sqrt(6 * 8 * 7 / (6 * 9 * 11))];
        yield 'error of kurtosis' => ['se_kurtosis', $sample, 2 * sqrt(6 * 8 * 7 / (6 * 9 * 11)) * sqrt(63 / (5 * 13))];
        yield 'skewness by its error' => ['skewness_ratio', $sample, (42 / 8) / 8 * sqrt(56) / 6 / sqrt(6 * 8 * 7 / (6 * 9 * 11))];
        yield 'within one deviation' => ['within_1', $population, 6 / 8];
        yield 'within two, ends included' => ['within_2', $population, 1.0];
        yield 'within two of a sample' => ['within_2', $sample, 1.0];
        yield 'within three' => ['within_3', $population, 1.0];
    }

    /** @param float|list<float> $value */
    #[DataProvider('figures')]
    public function test_a_figure_is_what_paper_says(string $key, Basis $basis, float|array $value): void
    {
        $statistic = self::statistic($key);
        $figure = $statistic->of(new Observations(Numbers::ofTexts(self::VALUES), 2), $basis);
        self::assertNull($figure->reason);
        self::assertEqualsWithDelta($value, $figure->value, 1e-12, $key);
        self::assertNotSame('', $statistic->steps(new Observations(Numbers::ofTexts(self::VALUES), 2), $basis)->definition);
    }

    /** @return iterable<string, array{list<string>, string, Reason}> */
    public static function undefined(): iterable
    {
        yield 'a mean of nothing' => [[], 'mean', Reason::NeedsOneValue];
        yield 'a minimum of nothing' => [[], 'min', Reason::NeedsOneValue];
        yield 'a quartile of nothing' => [[], 'q1', Reason::NeedsOneValue];
        yield 'a spread of one' => [['3'], 'sd', Reason::NeedsTwoValues];
        yield 'an error of one' => [['3'], 'se_mean', Reason::NeedsTwoValues];
        yield 'modes where nothing repeats' => [['1', '2', '3'], 'modes', Reason::NoValueRepeats];
        yield 'modes where all do' => [['1', '1', '2', '2'], 'modes', Reason::AllEquallyFrequent];
        yield 'a ratio to a median of zero' => [['-1', '0', '4'], 'mean_to_median', Reason::MedianIsZero];
    }

    /** @param list<string> $values */
    #[DataProvider('undefined')]
    public function test_a_figure_that_is_none_says_why(array $values, string $key, Reason $reason): void
    {
        $figure = self::statistic($key)->of(new Observations(Numbers::ofTexts($values), 0), new Basis());
        self::assertSame([null, $reason], [$figure->value, $figure->reason]);
    }

    public function test_a_population_of_one_has_a_spread_of_zero(): void
    {
        $of = static fn(string $key): Figure => self::statistic($key)->of(new Observations(Numbers::of('3'), 0), new Basis(takenAs: SampleOrPopulation::Population));
        self::assertSame([0.0, 0.0, 1.0], [$of('sd')->number(), $of('variance')->number(), $of('within_1')->number()]);
    }

    public function test_whatever_is_asked_for_comes_in_the_order_of_the_catalogue_and_once(): void
    {
        $keys = static fn(string ...$asked): array => array_map(static fn(Statistic $statistic): string => $statistic->key(), Catalogue::chosen($asked));
        self::assertSame(['n', 'mean', 'sum'], $keys('sum', 'mean', 'n', 'mean'));
        self::assertSame(['n', 'percentile_15'], $keys('percentile_15', 'n'));
    }

    private static function statistic(string $key): Statistic
    {
        return Catalogue::chosen([$key])[0];
    }
}
